<script setup lang="ts">
import { decidedTask, type IncidentDone, type IncidentItem, type IncidentState } from '@tadka/core/incident'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import { numberIn } from '../pieces/field.ts'
import FigureField from '../pieces/FigureField.vue'
import ReasonForm from '../pieces/ReasonForm.vue'
import { useKit } from '../site/kit.ts'
import { useTimes } from '../site/times.ts'
import { useUnits } from '../site/units.ts'
import { useIncidents } from './incidents.ts'
import PastInstant from './PastInstant.vue'

/** Cold food whose cold was gone: read, and since when it was warm; what becomes of it is told from both. */
const props = defineProps<{ incident: IncidentState; item: IncidentItem & { is: 'cold' } }>()
const { t } = useI18n()
const kit = useKit()
const units = useUnits()
const { clock } = useTimes()
const { did } = useIncidents()

const unit = computed(() => kit.thermometers.value[0]?.unit ?? units.degree.value)
const opened = ref(props.item.food !== '')
/** It is read once more. */
const again = ref(false)
const typed = ref('')
const value = computed(() => numberIn(typed.value, true))
const since = ref<'never' | 'unknown' | 'at' | null>(null)
const at = ref<number | null>(null)
/** Read cold, and cold throughout, it was never warm; what is read warm was warm since some time. */
const limit = computed(() => (unit.value === '°F' ? 41 : 5))
const isWarm = computed(() => value.value !== null && value.value > limit.value)
const isWhole = computed(
  () =>
    value.value !== null &&
    since.value !== null &&
    (since.value !== 'at' || at.value !== null) &&
    !(since.value === 'never' && isWarm.value),
)
const [task = '', station = null] =
  props.item.food || props.item.rerun ? [props.item.key] : ['cold', props.item.station]
function save(): void {
  if (!isWhole.value || value.value === null) return
  again.value = false
  did(props.incident, {
    ...{ task, station },
    ...(props.item.food ? { food: props.item.food } : {}),
    read: { value: value.value, unit: unit.value },
    ...(since.value === 'never' ? {} : { warmSince: since.value === 'at' ? at.value : null }),
  })
}
const decide = (how: Partial<IncidentDone>) =>
  did(props.incident, { task: decidedTask(props.item.key), ...how })
/** Until its time it may be served: it is used up or thrown out by then. */
const isServed = computed(() => props.item.outcome?.is === 'use-by')
const isOpen = computed(() => props.incident.status === 'open')
</script>

<template>
  <div class="cold">
    <n-button v-if="!item.outcome && isOpen && !opened" class="open" @click="opened = true">{{
      t('incident.cold.open')
    }}</n-button>
    <form v-else-if="isOpen && (!item.outcome || again)" @submit.prevent="save">
      <figure-field
        :id="`read-${item.key.replaceAll(' ', '-')}`"
        v-model="typed"
        class="figure"
        :label="t('incident.cold.read', { unit })"
        :unit="unit"
        keys
      />
      <choice-pick
        v-model="since"
        :label="t('incident.cold.since', { limit: `${limit} ${unit}` })"
        named
        :choices="[
          ...(isWarm ? [] : [{ value: 'never' as const, text: t('incident.cold.sinceNever') }]),
          { value: 'at' as const, text: t('incident.cold.sinceAt') },
          { value: 'unknown' as const, text: t('incident.cold.sinceUnknown') },
        ]"
      />
      <past-instant
        v-if="since === 'at'"
        v-model="at"
        :label="t('incident.cold.since', { limit: `${limit} ${unit}` })"
      />
      <n-button size="large" type="primary" attr-type="submit" :disabled="!isWhole">{{
        t('incident.cold.keep')
      }}</n-button>
    </form>
    <template v-if="item.outcome && !again">
      <p class="says" :class="item.outcome.is" role="status">
        {{
          t(`incident.cold.is.${item.outcome.is}`, {
            time: item.outcome.is === 'use-by' ? clock(item.outcome.by) : '',
          })
        }}
        <span v-if="'why' in item.outcome">{{ t(`incident.cold.why.${item.outcome.why}`) }}</span>
        <span v-if="item.kept">{{ t('incident.keptWhy', { why: item.kept }) }}</span>
      </p>
      <div v-if="isOpen && (!item.isDone || item.outcome.is === 'use-by') && !item.isGone" class="acts">
        <n-button v-if="item.outcome.is === 'read-again'" size="large" @click="again = true">{{
          t('incident.cold.again')
        }}</n-button>
        <n-button v-else size="large" type="primary" @click="decide(isServed ? {} : { thrownOut: true })">{{
          t(isServed ? 'incident.cold.usedUp' : 'incident.thrownOut')
        }}</n-button>
        <reason-form
          v-if="item.outcome.is === 'ask'"
          :label="t('incident.cold.decided')"
          :like="t('incident.cold.decidedLike')"
          :act="t('incident.cold.keptAct')"
          @said="(note: string) => decide({ kept: true, note })"
        />
      </div>
    </template>
  </div>
</template>

<style scoped>
.open {
  min-height: 52px;
}
form,
.cold {
  display: grid;
  gap: 10px;
  justify-items: start;
}
.figure {
  width: 220px;
}
.says {
  padding: 8px 14px;
  border-left: 6px solid var(--close);
  font-weight: 600;
}
.says.keep {
  border-left-color: var(--in);
}
.says.discard {
  border-left-color: var(--out);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: flex-start;
}
</style>
