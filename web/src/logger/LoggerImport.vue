<script setup lang="ts">
import { NButton } from 'naive-ui'
import { onMounted } from 'vue'
import { useI18n } from 'vue-i18n'
import LoggerColumns from './LoggerColumns.vue'
import LoggerStage from './LoggerStage.vue'
import LoggerTimes from './LoggerTimes.vue'
import { useImport } from './use-import.ts'

/** A file on its way in: how it is read, its first rows as they will be read, and what the whole of it would bring. */
const props = defineProps<{ file: File; station: string }>()
const emit = defineEmits<{ done: [id: string | null] }>()
const { t } = useI18n()
const entry = useImport(props.station)
const { draft, guess, unread } = entry
onMounted(() => entry.open(props.file))
</script>

<template>
  <section class="import">
    <div class="head">
      <h2>{{ file.name }}</h2>
      <n-button size="large" @click="emit('done', null)">{{ t('logger.cancel') }}</n-button>
    </div>
    <p v-if="unread" class="fault" role="alert">{{ t('logger.unreadable') }}</p>
    <template v-else-if="draft && guess">
      <div class="parts">
        <div class="how">
          <logger-times :entry="entry" :draft="draft" />
          <logger-columns :entry="entry" :draft="draft" :guess="guess" />
        </div>
        <logger-stage :entry="entry" @done="emit('done', $event)" />
      </div>
    </template>
  </section>
</template>

<style scoped>
.parts {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 350px;
  gap: 28px;
  align-items: start;
}
.parts > :last-child {
  position: sticky;
  top: 0;
}
@media (max-width: 900px) {
  .parts {
    grid-template-columns: minmax(0, 1fr);
  }
}
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 16px;
}
.head h2 {
  overflow-wrap: anywhere;
}
.fault {
  color: var(--out);
  font-weight: 600;
  padding: 20px 0;
}
</style>
