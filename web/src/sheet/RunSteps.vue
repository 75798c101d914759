<script setup lang="ts">
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import AmendAny from '../record/AmendAny.vue'
import { useLog, type LogRecord } from '../record/log.ts'
import LogRow from '../record/LogRow.vue'

/** Every entry of one run, the first one first. */
const props = defineProps<{ run: string }>()
const { t } = useI18n()
const { records, cases, more, loading, failed, amendments, older } = useLog(
  ref('all'),
  computed(() => ({ kind: 'run', id: props.run }) as const),
)
const inOrder = computed(() => records.value.toReversed())
const open = ref<string | null>(null)
const amending = ref<LogRecord | null>(null)
</script>

<template>
  <div class="steps no-print">
    <p v-if="loading && records.length === 0" class="quiet" role="status">{{ t('log.loading') }}</p>
    <p v-else-if="failed" class="quiet">{{ t('log.unreachable') }}</p>
    <button v-if="more" type="button" class="more" @click="older">{{ t('log.older') }}</button>
    <ol>
      <log-row
        v-for="r in inOrder"
        :key="r.id"
        :record="r"
        :amendment="amendments.get(r.id) ?? null"
        :case-opened="cases[r.id] ?? null"
        :open="open === r.id"
        @toggle="open = open === r.id ? null : r.id"
        @amend="amending = r"
      />
    </ol>
    <amend-any :record="amending" @close="amending = null" />
  </div>
</template>

<style scoped>
.steps {
  padding: 4px 0 18px 24px;
}
.more {
  min-height: 48px;
  border: 0;
  background: none;
  font-weight: 600;
  color: var(--sea);
  text-decoration: underline;
}
</style>
