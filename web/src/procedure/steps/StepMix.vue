<script setup lang="ts">
import { decimals, millilitres, showInterval, showTemperature, showVolume } from '@tadka/core/quantity'
import { numberOf, type RunState, type Step } from '@tadka/core/procedure'
import { Refusal } from '@tadka/core/refusal'
import { mixFor } from '@tadka/core/solution'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useKit } from '../../house/kit.ts'
import JugDrawing from '../../pieces/JugDrawing.vue'
import { useSite } from '../../record/site.ts'

export interface Poured {
  readonly product: string
  readonly productName: string
  readonly pouredMl: number
  readonly volumeMl: number
  readonly capacityMl: number
  readonly tool: string
  readonly target: number | null
}

/** The pour worked out for this machine's volume and this product's label: the figure, the jug to the mark. */
const props = defineProps<{ step: Step & { kind: 'mix' }; run: RunState }>()
const emit = defineEmits<{ poured: [poured: Poured] }>()
const { t } = useI18n()
const site = useSite()
const kit = useKit()

const chosen = ref(0)
const tool = ref(0)
const candidates = computed(() => kit.forUse(props.step.use))
const candidate = computed(
  () => candidates.value[chosen.value % Math.max(1, candidates.value.length)] ?? null,
)
const total = computed(() => millilitres(numberOf(props.step.volume, props.run.parameters)))
const units = computed(() => site.set?.units ?? 'metric')
const inWords = (shown: { value: string; unit: string }) => `${shown.value} ${shown.unit}`

const mixed = computed(() => {
  if (!candidate.value) return { mix: null, refusal: null }
  const { product, use } = candidate.value
  try {
    return { mix: mixFor(product.supply, use, total.value, kit.tools.value), refusal: null }
  } catch (error) {
    if (error instanceof Refusal) return { mix: null, refusal: error }
    throw error
  }
})
const pour = computed(() => mixed.value.mix?.pours[tool.value % (mixed.value.mix.pours.length || 1)] ?? null)
const why = computed(() => {
  const [m, p, c] = [mixed.value.mix, pour.value, candidate.value]
  if (!m || !p || !c) return ''
  if (c.product.supply.kind === 'per-litre')
    return t('run.perLitre', { ml: decimals(c.product.supply.millilitres, 1) })
  if (!p.strength) return ''
  const band = showInterval({ lo: Math.round(p.strength.lo ?? 0), hi: Math.round(p.strength.hi ?? 0) })
  if (p.holds === false) return t('run.roundingLeaves', { band })
  return t('run.rounding', { lo: Math.round(p.strength.lo ?? 0), hi: Math.round(p.strength.hi ?? 0) })
})
const fillings = computed(() => (pour.value ? Math.ceil(pour.value.shown / pour.value.tool.capacity) : 1))

function poured(): void {
  const [p, c] = [pour.value, candidate.value]
  if (!p || !c) return
  emit('poured', {
    product: c.product.id,
    productName: c.product.name,
    pouredMl: p.shown,
    volumeMl: total.value,
    capacityMl: numberOf(props.step.capacity, props.run.parameters),
    tool: p.tool.name,
    target: c.use.target,
  })
}
</script>

<template>
  <p v-if="!candidate" class="refusal" role="alert">{{ t('run.noProduct') }}</p>
  <p v-else-if="mixed.refusal" class="refusal" role="alert">{{ mixed.refusal.message }}</p>
  <div v-else-if="pour" class="mix">
    <div class="words">
      <p class="fig">{{ decimals(pour.shown, 1) }}<small>mL</small></p>
      <p class="into">
        {{
          t('run.productIn', {
            product: candidate.product.name,
            vessel: step.vessel,
            volume: inWords(showVolume(total, units)),
          })
        }}
        <b>{{
          t('run.water', {
            lo: showTemperature(step.water.lo, units).value,
            hi: inWords(showTemperature(step.water.hi, units)),
          })
        }}</b>
      </p>
      <p v-if="candidate.product.ppe.length > 0" class="ppe">
        {{ t('bench.ppe', { list: candidate.product.ppe.join(', ') }) }}
      </p>
      <p class="why">
        <span v-if="fillings > 1">{{ t('run.fillings', { n: fillings, tool: pour.tool.name }) }}. </span>
        {{ why }}
        <span v-if="candidate.product.neverWith.length > 0">
          {{ t('bench.never', { list: candidate.product.neverWith.join(', ') }) }}
        </span>
      </p>
      <div class="act">
        <n-button type="primary" class="big" @click="poured">{{ t('run.poured') }}</n-button>
        <n-button v-if="(mixed.mix?.pours.length ?? 0) > 1" class="alt" @click="tool += 1">{{
          t('run.otherTool')
        }}</n-button>
      </div>
    </div>
    <div class="jug">
      <jug-drawing :tool="pour.tool" :pour="pour.shown" :height="420" />
      <p class="quiet">{{ pour.tool.name }}</p>
    </div>
  </div>
</template>

<style scoped>
.mix {
  display: grid;
  grid-template-columns: 1fr 320px;
  gap: 12px;
  flex: 1;
}
.words {
  display: flex;
  flex-direction: column;
}
.fig {
  font-size: 132px;
  font-weight: 700;
  line-height: 1;
  margin-top: 14px;
  letter-spacing: -2px;
}
.fig small {
  font-size: 54px;
  font-weight: 600;
  letter-spacing: 0;
  margin-left: 10px;
}
.into {
  font-size: 26px;
  line-height: 1.3;
  margin-top: 8px;
}
.ppe {
  margin-top: 14px;
  font-weight: 650;
  font-size: 19px;
}
.why {
  color: var(--ink-2);
  font-size: 16px;
  line-height: 1.45;
  margin-top: 10px;
  max-width: 34em;
}
.act {
  margin-top: auto;
  padding-top: 18px;
  display: flex;
  gap: 14px;
}
.jug {
  text-align: center;
}
.refusal {
  color: var(--out);
  font-size: 22px;
  font-weight: 600;
  margin-top: 24px;
}
@media (max-width: 760px) {
  .mix {
    grid-template-columns: 1fr;
  }
  .fig {
    font-size: 84px;
  }
  .jug {
    display: none;
  }
}
</style>
