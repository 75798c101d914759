<script setup lang="ts">
import { plateStrength, type Position, type RunState, type Step } from '@tadka/core/procedure'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useKit } from '../site/kit.ts'
import { useTimes } from '../site/times.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useUnits } from '../site/units.ts'
import ChoicePick from '../pieces/ChoicePick.vue'
import { useChosenProduct } from '../solution/chosen-product.ts'
import HeatCheck from '../solution/HeatCheck.vue'
import SanitizerCheck from '../solution/SanitizerCheck.vue'

/** A check inside a run: the bath that this run mixed, or the product; a recheck goes on with its open case. */
const props = defineProps<{ step: Step & { kind: 'check' }; position: Position; run: RunState }>()
const emit = defineEmits<{ done: [] }>()
const { t } = useI18n()
const site = useSite()
const units = useUnits()
const kit = useKit()
const names = useNames()
const { clock } = useTimes()

/** The last bath that this run mixed for the use that is checked. */
const bath = computed(() => {
  const ids = Object.values(props.run.done).map((d) => d.facts['bath'])
  const mixed = ids
    .map((id) => (typeof id === 'string' ? site.one('bath', id) : null))
    .filter((b) => b !== null)
  return (
    mixed.findLast(
      (b) =>
        props.step.what === 'sanitizer' && kit.forUse(props.step.use).some((c) => c.product.id === b.product),
    ) ?? null
  )
})
const use = () => (props.step.what === 'sanitizer' ? props.step.use : null)
const { candidates, candidate, chosen, options } = useChosenProduct(use)
const checked = computed(() => {
  const found = candidates.value.find((c) => c.product.id === bath.value?.product) ?? candidate.value
  const asked = plateStrength(props.step, props.run.parameters)
  return found ? { ...found, bath: bath.value, asked } : null
})
/** Where this run mixed nothing and the site has several products, whoever dips says which it is. */
const several = computed(() => !bath.value && candidates.value.length > 1)
const place = computed(() => {
  const before = props.run.readings[props.position.key]?.at(-1)
  return {
    station: props.run.station,
    run: props.run.id,
    step: props.position.key,
    bath: bath.value?.id ?? null,
    case: before && before.verdict !== 'in' ? before.case : null,
  }
})
const under = computed(() => {
  const b = bath.value
  if (!b) return names.station(props.run.station)
  const mixed = t('bench.mixedBy', { time: clock(b.mixedAt), who: names.person(b.mixedBy) })
  return `${b.productName}, ${units.volume(b.volume)}, ${mixed}`
})
</script>

<template>
  <choice-pick
    v-if="several"
    v-model="chosen"
    class="which"
    named
    :label="t('bench.whichProduct')"
    :choices="options"
  />
  <sanitizer-check
    v-if="checked"
    :key="checked.product.id"
    :checked="checked"
    :place="place"
    :heading="step.title"
    :under="under"
    @done="emit('done')"
  />
  <heat-check
    v-else-if="step.what !== 'sanitizer'"
    :what="step.what"
    :recheck-of="place.case"
    :place="place"
    :heading="step.title"
    @kept="(verdict) => verdict === 'in' && emit('done')"
  />
  <p v-else-if="!several" class="none" role="alert">{{ t('run.noProduct') }}</p>
</template>

<style scoped>
.which {
  padding: 14px var(--gutter) 0;
}
.none {
  padding: 40px var(--gutter);
  font-size: 22px;
  color: var(--out);
}
</style>
