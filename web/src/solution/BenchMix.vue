<script setup lang="ts">
import { decimals, millilitres, ppm } from '@tadka/core/quantity'
import { Refusal } from '@tadka/core/refusal'
import { mixFor, type Mix } from '@tadka/core/solution'
import { NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useKit } from '../house/kit.ts'
import FigureField from '../pieces/FigureField.vue'
import JugDrawing from '../pieces/JugDrawing.vue'
import NumberPad from '../pieces/NumberPad.vue'
import { useSite } from '../record/site.ts'
import { parseField } from './field.ts'
import { volumeWords } from './words.ts'

/** A fresh mix: product, how much, and the pour. */
const { t } = useI18n()
const site = useSite()
const kit = useKit()

const choices = computed(() =>
  kit.products.value.flatMap((p) =>
    p.uses.map((u) => ({ label: `${p.name}: ${u.name}`, value: `${p.id} ${u.id}`, product: p, use: u })),
  ),
)
const key = ref<string | null>(null)
const chosen = computed(() => choices.value.find((c) => c.value === key.value) ?? choices.value[0] ?? null)
const litres = ref('4')
const target = ref('')
const field = ref<'litres' | 'target'>('litres')
const tool = ref(0)
const padded = computed({
  get: () => (field.value === 'litres' ? litres.value : target.value),
  set: (v) => (field.value === 'litres' ? (litres.value = v) : (target.value = v)),
})
const volume = computed(() => parseField(litres.value, { positive: true }))
const aim = computed(() => (target.value.trim() === '' ? null : parseField(target.value, { positive: true })))

const mixed = computed<{ mix: Mix | null; refusal: Refusal | null }>(() => {
  const c = chosen.value
  if (!c || volume.value.value === null || aim.value?.fault) return { mix: null, refusal: null }
  try {
    const use = { range: c.use.range, target: aim.value?.value ? ppm(aim.value.value) : c.use.target }
    return {
      mix: mixFor(c.product.supply, use, millilitres(volume.value.value * 1000), kit.tools.value),
      refusal: null,
    }
  } catch (error) {
    if (error instanceof Refusal) return { mix: null, refusal: error }
    throw error
  }
})
const pour = computed(() => mixed.value.mix?.pours[tool.value % (mixed.value.mix.pours.length || 1)] ?? null)
const cautions = computed(() => {
  const c = chosen.value
  if (!c) return ''
  const { ppe, neverWith } = c.product
  return [
    ppe.length > 0 ? t('bench.ppe', { list: ppe.join(', ') }) : '',
    neverWith.length > 0 ? t('bench.never', { list: neverWith.join(', ') }) : '',
    c.use.contactSeconds ? t('bench.contact', { s: c.use.contactSeconds }) : '',
  ].join(' ')
})
const words = (mL: number) => volumeWords(mL, site.set?.units)
const faultOf = (f: ReturnType<typeof parseField> | null) => (f?.fault ? t(`bench.${f.fault}`) : undefined)
</script>

<template>
  <div class="mixing">
    <section class="entry">
      <div>
        <label for="mix-product" class="small quiet">{{ t('bench.product') }}</label>
        <n-select
          :value="chosen?.value ?? null"
          :options="choices"
          :input-props="{ id: 'mix-product' }"
          :aria-label="t('bench.product')"
          @update:value="(v: string) => (key = v)"
        />
      </div>
      <figure-field
        id="mix-volume"
        v-model="litres"
        :label="t('bench.volume')"
        unit="L"
        :fault="faultOf(volume)"
        :active="field === 'litres'"
        @focus="field = 'litres'"
      />
      <figure-field
        v-if="chosen?.use.target !== null"
        id="mix-target"
        v-model="target"
        :label="`${t('bench.target')} (${chosen?.use.target ?? ''})`"
        unit="ppm"
        :fault="mixed.refusal ? mixed.refusal.message : faultOf(aim)"
        :active="field === 'target'"
        @focus="field = 'target'"
      />
      <number-pad v-model="padded" />
    </section>
    <section v-if="pour && mixed.mix && chosen" class="answer" aria-live="polite">
      <div class="words">
        <p class="fig">{{ decimals(pour.shown, 1) }}<small>mL</small></p>
        <p class="into">
          {{ chosen.product.name }},
          {{ t('bench.intoWater', { total: words(mixed.mix.dose.water + mixed.mix.dose.concentrate) }) }}
        </p>
        <p v-if="pour.holds === false" class="bad">{{ t('bench.coarse') }}</p>
        <p v-else-if="pour.strength" class="why">
          {{
            t('bench.makes', { lo: Math.round(pour.strength.lo ?? 0), hi: Math.round(pour.strength.hi ?? 0) })
          }}
        </p>
        <p class="why">{{ cautions }}</p>
        <div class="tools" role="group" :aria-label="t('bench.tool')">
          <button
            v-for="(p, i) in mixed.mix.pours"
            :key="p.tool.name"
            type="button"
            :aria-pressed="p.tool.name === pour.tool.name"
            @click="tool = i"
          >
            {{ p.tool.name }}
          </button>
        </div>
        <p class="quiet small">{{ t('common.decides') }}</p>
      </div>
      <jug-drawing :tool="pour.tool" :pour="pour.shown" :height="430" />
    </section>
  </div>
</template>

<style scoped>
.mixing {
  display: grid;
  grid-template-columns: 430px 1fr;
}
.entry {
  padding: 20px var(--gutter);
  border-right: 1px solid var(--line);
  display: flex;
  flex-direction: column;
  gap: 14px;
}
.answer {
  padding: 20px var(--gutter) 20px 36px;
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 20px;
}
.fig {
  font-size: 124px;
  font-weight: 700;
  line-height: 1;
  letter-spacing: -2px;
}
.fig small {
  font-size: 50px;
  font-weight: 600;
  margin-left: 10px;
}
.into {
  font-size: 24px;
  line-height: 1.3;
  margin-top: 8px;
}
.why {
  color: var(--ink-2);
  margin-top: 12px;
}
.bad {
  color: var(--out);
  font-weight: 650;
  margin-top: 12px;
}
.tools {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  margin: 24px 0 16px;
}
.tools button {
  min-height: 48px;
  padding: 0 16px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  font-weight: 600;
  cursor: pointer;
}
.tools button[aria-pressed='true'] {
  border-color: var(--sea);
  background: var(--sea-wash);
}
@media (max-width: 760px) {
  .mixing,
  .answer {
    display: block;
  }
  .fig {
    font-size: 80px;
  }
}
</style>
