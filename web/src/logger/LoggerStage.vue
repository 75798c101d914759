<script setup lang="ts">
import { modelCode } from '@tadka/core/rules'
import { NButton, NProgress } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useUnits } from '../site/units.ts'
import FileFault from './FileFault.vue'
import LoggerSummary from './LoggerSummary.vue'
import TallyMarks from './TallyMarks.vue'
import type { Import } from './use-import.ts'

/** Where a file stands: what is still to be told, how far it is read, what it would bring, what became of it. */
const props = defineProps<{ entry: Import }>()
const emit = defineEmits<{ done: [id: string] }>()
const { t, locale } = useI18n()
const units = useUnits()
const stage = computed(() => props.entry.stage.value)
const percent = (share: number) => Math.round(share * 100)
const { date, clock } = useTimes()
const when = (at: number) => `${date(at)} ${clock(at)}`
const rows = (n: number) => n.toLocaleString(locale.value)
</script>

<template>
  <div class="stage" aria-live="polite">
    <p v-if="stage.kind === 'untold'" class="ask">{{ t(`logger.untold.${stage.untold}`) }}</p>
    <template v-else-if="stage.kind === 'checking'">
      <p>{{ t('logger.checking', { rows: rows(stage.rows) }) }}</p>
      <n-progress type="line" :percentage="percent(stage.share)" :aria-label="t('logger.readAs')" />
      <n-button size="large" @click="entry.stop">{{ t('logger.stop') }}</n-button>
    </template>
    <template v-else-if="stage.kind === 'refused'">
      <file-fault :refused="stage.refused" />
      <n-button size="large" @click="entry.check">{{ t('logger.again') }}</n-button>
    </template>
    <template v-else-if="stage.kind === 'stopped'">
      <p>{{ t('logger.stopped') }}</p>
      <n-button size="large" @click="entry.check">{{ t('logger.again') }}</n-button>
    </template>
    <template v-else-if="stage.kind === 'checked'">
      <p class="ask">
        {{
          t('logger.rows', {
            n: rows(stage.checked.summary.rows),
            from: when(stage.checked.summary.from),
            to: when(stage.checked.summary.to),
          })
        }}
      </p>
      <logger-summary :summary="stage.checked.summary" />
      <div v-if="stage.checked.cycles" class="told">
        <span class="label">{{ t('logger.cyclesFound') }}</span> <tally-marks :tally="stage.checked.cycles" />
      </div>
      <div v-if="stage.checked.passes" class="told">
        <span class="label">{{
          t('logger.passesFound', { limit: units.limit(modelCode.dishMachine.surface.pair.c) })
        }}</span>
        <tally-marks :tally="stage.checked.passes" />
      </div>
      <p v-if="!stage.checked.cycles && !stage.checked.passes" class="quiet">{{ t('logger.noVerdict') }}</p>
      <div class="act">
        <n-button type="primary" size="large" @click="entry.send">{{ t('logger.send') }}</n-button>
        <span v-if="stage.checked.cycles" class="quiet">{{ t('logger.sendCycles') }}</span>
      </div>
    </template>
    <template v-else-if="stage.kind === 'sending'">
      <p>
        {{ stage.share < 1 ? t('logger.sending', { percent: percent(stage.share) }) : t('logger.judging') }}
      </p>
      <n-progress type="line" :percentage="percent(stage.share)" :aria-label="t('logger.send')" />
      <n-button v-if="stage.share < 1" size="large" @click="entry.stop">{{ t('logger.stop') }}</n-button>
    </template>
    <template v-else-if="stage.kind === 'unreached'">
      <p class="ask">{{ t('logger.unreached') }}</p>
      <n-button type="primary" size="large" @click="entry.send">{{ t('logger.sendAgain') }}</n-button>
    </template>
    <template v-else>
      <p class="good">{{ t(stage.answer.known ? 'logger.doneKnown' : 'logger.done') }}</p>
      <p v-if="stage.answer.imported.cycles?.known">
        {{ t('logger.known', { n: stage.answer.imported.cycles.known }) }}
      </p>
      <n-button type="primary" size="large" @click="emit('done', stage.answer.id)">{{
        t('common.close')
      }}</n-button>
    </template>
  </div>
</template>

<style scoped>
.stage {
  display: grid;
  gap: 10px;
  justify-items: start;
  padding: 10px 0 10px 22px;
  border-left: 1px solid var(--line);
}
.ask,
.good {
  font-size: 19px;
  font-weight: 650;
}
.told {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
}
.act {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: center;
}
@media (max-width: 900px) {
  .stage {
    padding-left: 0;
    border-left: 0;
  }
}
</style>
