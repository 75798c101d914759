<script setup lang="ts">
import { millilitres, showTemperature } from '@tadka/core/quantity'
import { knownNumber, numberOf, type RunState, type Step } from '@tadka/core/procedure'
import type { BathMixed } from '@tadka/core/bath'
import { Refusal } from '@tadka/core/refusal'
import { aimedTarget, checkTarget } from '@tadka/core/rules'
import { measureFor, supplyByTable } from '@tadka/core/solution'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useKit } from '../../site/kit.ts'
import { useProductAlarms } from '../../site/product-alarms.ts'
import ChoicePick from '../../pieces/ChoicePick.vue'
import { useSite } from '../../site/site.ts'
import { useUnits } from '../../site/units.ts'
import NoProduct from '../NoProduct.vue'
import { useChosenProduct } from '../../solution/chosen-product.ts'
import { useDoseWords } from '../../solution/dose-words.ts'
import { useWays } from '../../solution/measured.ts'
import WayShown from '../../solution/WayShown.vue'

export type Poured = Pick<
  BathMixed,
  'product' | 'use' | 'productName' | 'poured' | 'tool' | 'measured' | 'target' | 'volume' | 'capacity'
>

/** The pour worked out for this machine's volume and this product's label: the figure, the jug to the mark. */
const props = defineProps<{ step: Step & { kind: 'mix' }; run: RunState; blocked: boolean }>()
const emit = defineEmits<{ poured: [poured: Poured] }>()
const { t } = useI18n()
const dose = useDoseWords()
const site = useSite()
const kit = useKit()
const alarms = useProductAlarms()
const waysOf = useWays()

const picked = ref(0)
const { candidates, candidate, chosen, options } = useChosenProduct(() => props.step.use)
const total = computed(() => millilitres(numberOf(props.step.volume, props.run.parameters)))
const holds = computed(() => numberOf(props.step.capacity, props.run.parameters))
/** The plate says that its vessel holds less than is mixed in it. */
const tooMuch = computed(() => total.value > holds.value)
const units = useUnits()
const water = computed(() => {
  const { lo, hi } = props.step.water
  const top = showTemperature(hi, units.system.value)
  return t('run.water', { lo: showTemperature(lo, units.system.value).value, hi: `${top.value} ${top.unit}` })
})

const target = computed(() => {
  const c = candidate.value
  return c ? aimedTarget(c.product.agent, c.use, site.set?.schools ?? {}, kit.stripFor(c.product)) : null
})
/** mL by the model's own table, where its plate says any. */
const tabled = computed(() => props.step.amount && knownNumber(props.step.amount, props.run.parameters))
const none = (refusal: Refusal | null) => ({ ways: [], byTable: false, refusal })
const mixed = computed(() => {
  if (!candidate.value) return none(null)
  const { product, use } = candidate.value
  try {
    const aim = { range: use.range, target: target.value }
    if (aim.target !== null) checkTarget(product.agent, use, aim.target)
    const table = supplyByTable(product.supply, tabled.value, total.value)
    const aimed = table ? { range: null, target: null } : aim
    return {
      ways: waysOf(
        measureFor(table ?? product.supply, aimed, total.value, kit.measuring(product.id)),
        holds.value,
      ),
      byTable: table !== null,
      refusal: null,
    }
  } catch (error) {
    if (error instanceof Refusal) return none(error)
    throw error
  }
})
const way = computed(() => mixed.value.ways[picked.value] ?? mixed.value.ways[0] ?? null)
const into = computed(() =>
  candidate.value
    ? t('run.productIn', {
        product: candidate.value.product.name,
        vessel: props.step.vessel,
        volume: units.volume(way.value?.total ?? total.value),
      })
    : '',
)

function poured(): void {
  const [w, c] = [way.value, candidate.value]
  if (!w || !c) return
  emit('poured', {
    product: c.product.id,
    use: c.use.id,
    productName: c.product.name,
    ...w.kept,
    volume: w.total ?? total.value,
    capacity: holds.value,
    target: mixed.value.byTable ? null : target.value,
  })
}
</script>

<template>
  <no-product v-if="candidates.length === 0" :use="step.use" />
  <choice-pick
    v-if="candidates.length > 1"
    v-model="chosen"
    class="which"
    named
    :label="t('bench.whichProduct')"
    :choices="options"
  />
  <p v-if="tooMuch" class="refusal" role="alert">
    {{ t('run.tooMuch', { vessel: step.vessel, volume: units.volume(holds) }) }}
    <router-link to="/house/stations">{{ t('run.tooMuchHow') }}</router-link>
  </p>
  <p v-else-if="candidate && mixed.refusal" class="refusal" role="alert">{{ mixed.refusal.message }}</p>
  <way-shown
    v-else-if="candidate && way"
    :ways="mixed.ways"
    :way="way"
    :into="into"
    :name="t('bench.tool')"
    :height="400"
    @pick="(i) => (picked = i)"
  >
    <template #water>
      <b>{{ water }}</b>
    </template>
    <p v-if="mixed.byTable" class="why">{{ t('run.byTable', { v: units.volume(tabled ?? 0) }) }}</p>
    <p v-else-if="candidate.product.supply.kind === 'per-litre'" class="why">
      {{ t('run.byLabel', { dose: dose(candidate.product.supply) }) }}
    </p>
    <p v-for="alarm in alarms(candidate.product)" :key="alarm" class="other" role="alert">{{ alarm }}</p>
    <p v-if="candidate.product.ppe.length > 0" class="ppe">
      {{ t('bench.ppe', { list: candidate.product.ppe.join(', ') }) }}
    </p>
    <p v-if="candidate.product.neverWith === null" class="why">{{ t('bench.neverUnknown') }}</p>
    <p v-else-if="candidate.product.neverWith.length > 0" class="why">
      {{ t('bench.never', { list: candidate.product.neverWith.map((x) => t(`chemical.${x}`)).join(', ') }) }}
    </p>
    <p v-if="candidate.use.rinseAfter" class="why">{{ t('bench.rinseAfter') }}</p>
    <template #act>
      <n-button type="primary" class="big" :disabled="blocked" @click="poured">{{
        t('run.poured')
      }}</n-button>
    </template>
  </way-shown>
  <p v-else-if="candidate" class="refusal" role="alert">{{ t('bench.tooFine') }}</p>
</template>

<style scoped>
.which {
  margin: 8px 0 14px;
}
.other {
  color: var(--out);
  font-weight: 650;
}
.ppe {
  margin-top: 14px;
  font-weight: 650;
  font-size: 19px;
}
.why {
  color: var(--ink-2);
  font-size: 16px;
  margin-top: 8px;
}
.big {
  align-self: flex-start;
  margin-top: auto;
}
.refusal {
  color: var(--out);
  font-size: 22px;
  font-weight: 600;
  margin-top: 24px;
}
</style>
