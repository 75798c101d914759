<script setup lang="ts">
import {
  mayOverride,
  waitKindOf,
  type Position,
  type RunState,
  type Short,
  type Timed,
} from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { spokenLength } from '@tadka/words/length'
import { useSite } from '../../site/site.ts'
import LeadLeave from '../LeadLeave.vue'

/** A wait that was too short: what did not happen by it, and the ways on. */
const props = defineProps<{ cut: Short; step: Timed; position: Position; run: RunState }>()
const emit = defineEmits<{ begin: [] }>()
const { t } = useI18n()
const site = useSite()

const asking = ref(false)
const said = computed(() =>
  t(`run.cut.${waitKindOf(props.step)}`, {
    ms: spokenLength(props.cut.ms),
    least: spokenLength(props.cut.leastMs),
  }),
)
const what = computed(() => ({ kind: 'wait' as const, run: props.run.id, step: props.position.key }))
</script>

<template>
  <div class="cut">
    <p class="said" role="alert">{{ said }}</p>
    <p class="how">{{ t('run.cut.how') }}</p>
    <div class="act">
      <n-button type="primary" class="big" @click="emit('begin')">{{ t('run.beginAgain') }}</n-button>
      <template v-if="mayOverride(step) && !site.isPractice">
        <n-button v-if="site.connected" class="alt" @click="asking = true">{{
          t('run.leadGoesOn')
        }}</n-button>
        <p v-else class="quiet">{{ t('run.leadNeedsNetwork') }}</p>
      </template>
    </div>
    <lead-leave
      v-if="asking"
      :title="t('run.leadTitle')"
      :say="t('run.leadSay', { what: said })"
      :what="what"
      @done="asking = false"
      @close="asking = false"
    />
  </div>
</template>

<style scoped>
.cut {
  flex: 1 0 auto;
  display: flex;
  flex-direction: column;
}
.said {
  margin-top: 18px;
  padding: 14px 18px;
  background: var(--out-wash);
  border-left: 6px solid var(--out);
  font-size: 30px;
  font-weight: 650;
  line-height: 1.2;
}
.how {
  font-size: 21px;
  margin-top: 14px;
  max-width: 32em;
}
.act {
  margin-top: auto;
  padding-top: 16px;
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
}
</style>
