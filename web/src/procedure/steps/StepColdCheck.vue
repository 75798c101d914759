<script setup lang="ts">
import { coldProductChecked, type Place } from '@tadka/core/record'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useKit } from '../../house/kit.ts'
import FigureField from '../../pieces/FigureField.vue'
import NumberPad from '../../pieces/NumberPad.vue'
import { useSite } from '../../record/site.ts'
import JudgementView from '../../solution/JudgementView.vue'
import ReportedReading from '../../solution/ReportedReading.vue'
import { rightNow } from '../../wire/clock.ts'

/** The temperature of cold product, judged as it is typed. */
const props = defineProps<{ place: Place; heading: string }>()
const emit = defineEmits<{ done: [] }>()
const { t } = useI18n()
const kit = useKit()
const site = useSite()

const text = ref('')
const thermometer = computed(() => kit.thermometers.value[0] ?? null)
const taken = computed(() => {
  const value = /^-?\d+([.,]\d+)?$/.test(text.value.trim()) ? Number(text.value.replace(',', '.')) : null
  if (value === null) return null
  return coldProductChecked(
    props.place,
    value,
    thermometer.value?.unit ?? '°C',
    thermometer.value,
    rightNow(),
    kit.rulesAt(rightNow()),
  )
})
const fault = computed(() => (text.value.trim() !== '' && !taken.value ? t('bench.fieldNeeded') : undefined))
function keep(): void {
  if (!taken.value) return
  const { run, station } = props.place
  const subject = run
    ? ({ kind: 'run', id: run } as const)
    : ({ kind: 'station', id: station ?? '' } as const)
  site.record('reading.taken@1', subject, taken.value)
  if (taken.value.judgement.overall === 'in') emit('done')
  text.value = ''
}
</script>

<template>
  <div class="cold">
    <section>
      <h2>{{ heading }}</h2>
      <p class="quiet">{{ thermometer?.name }}</p>
      <figure-field
        id="cold"
        v-model="text"
        :label="t('run.temperature')"
        :unit="thermometer?.unit ?? '°C'"
        :fault="fault"
        active
        @enter="keep"
      />
      <reported-reading
        :instrument="thermometer?.id ?? null"
        :unit="thermometer?.unit ?? '°C'"
        @take="text = $event"
      />
      <number-pad v-model="text" />
    </section>
    <section>
      <template v-if="taken">
        <judgement-view :judgement="taken.judgement">
          <p v-if="taken.judgement.overall === 'out'" class="out">{{ t('bench.outAction') }}</p>
        </judgement-view>
        <n-button
          size="large"
          :type="taken.judgement.overall === 'in' ? 'primary' : 'default'"
          @click="keep"
          >{{ t('bench.keep') }}</n-button
        >
      </template>
    </section>
  </div>
</template>

<style scoped>
.cold {
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 8fr);
  gap: 40px;
  padding: 20px var(--gutter);
}
section:first-child {
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.out {
  font-weight: 650;
  margin: 8px 0;
}
@media (max-width: 760px) {
  .cold {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
