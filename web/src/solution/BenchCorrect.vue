<script setup lang="ts">
import { showInterval } from '@tadka/core/quantity'
import { judgeSanitizer, modelCode } from '@tadka/core/rules'
import { labelOf } from '@tadka/core/record'
import { NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useKit } from '../house/kit.ts'
import { bandsOf } from '../pieces/band.ts'
import BandRuler from '../pieces/BandRuler.vue'
import FigureField from '../pieces/FigureField.vue'
import NumberPad from '../pieces/NumberPad.vue'
import { adviceFor } from './checking.ts'
import CorrectionAct from './CorrectionAct.vue'
import { useBaths } from './baths.ts'
import { parseField } from './field.ts'

/** A bath that reads wrong: what it reads, how much it is, and the way back. Nothing is recorded here. */
const { t } = useI18n()
const kit = useKit()

const choices = computed(() =>
  kit.products.value
    .filter((p) => p.supply.kind === 'strength')
    .flatMap((p) =>
      p.uses
        .filter((u) => u.range)
        .map((u) => ({ label: `${p.name}: ${u.name}`, value: `${p.id} ${u.id}`, product: p, use: u })),
    ),
)
const key = ref<string | null>(null)
const chosen = computed(() => choices.value.find((c) => c.value === key.value) ?? choices.value[0] ?? null)

/** A bath that stands somewhere: its last reading and its volume go in at one tap. */
const baths = useBaths()
function take(id: string): void {
  const b = baths.value.find((x) => x.id === id)
  const strength = b?.lastReading?.strength
  if (!b) return
  key.value = choices.value.find((c) => c.product.id === b.product)?.value ?? key.value
  const text = (n: number | null | undefined) => (n === null || n === undefined ? '' : String(n))
  typed.value = {
    from: text(strength?.lo),
    to: text(strength?.hi),
    volume: String(b.volume / 1000),
    holds: String(b.capacity / 1000),
  }
}

const names = ['from', 'to', 'volume', 'holds'] as const
const units = { from: 'ppm', to: 'ppm', volume: 'L', holds: 'L' }
const typed = ref({ from: '', to: '', volume: '4', holds: '10' })
const field = ref<(typeof names)[number]>('from')
const padded = computed({ get: () => typed.value[field.value], set: (v) => (typed.value[field.value] = v) })
const parsed = computed(() => ({
  from: parseField(typed.value.from),
  to: parseField(typed.value.to === '' ? typed.value.from : typed.value.to),
  volume: parseField(typed.value.volume, { positive: true }),
  holds: parseField(typed.value.holds, { positive: true }),
}))
const fault = (name: (typeof names)[number]): string | undefined => {
  const p = parsed.value
  if (typed.value.from === '' && (name === 'from' || name === 'to')) return undefined
  const code = p[name].fault
  if (code) return t(`bench.${code}`)
  if (name === 'to' && (p.to.value ?? 0) < (p.from.value ?? 0)) return t('bench.fieldOrder')
  if (name === 'holds' && (p.holds.value ?? 0) < (p.volume.value ?? 0)) return t('bench.fieldOver')
  return undefined
}
const sound = computed(() => names.every((n) => parsed.value[n].fault === null && fault(n) === undefined))
const reading = computed(() =>
  sound.value ? { lo: parsed.value.from.value, hi: parsed.value.to.value } : null,
)
const advice = computed(() => {
  const [c, r] = [chosen.value, reading.value]
  if (!c || !r) return null
  const bath = {
    id: null,
    volume: (parsed.value.volume.value ?? 0) * 1000,
    capacity: (parsed.value.holds.value ?? 0) * 1000,
  }
  return adviceFor({ product: c.product, use: c.use, bath }, r, kit.tools.value)
})
const band = computed(() => {
  const c = chosen.value
  if (!c || !reading.value) return null
  const judged = judgeSanitizer(modelCode, {
    agent: c.product.agent ?? 'other',
    strength: reading.value,
    temperature: null,
    ph: null,
    hardness: null,
    label: labelOf(c.product, c.use.id),
  })
  // What the label says of the strength; nothing else was read here.
  return bandsOf({ ...judged, layers: judged.layers.filter((l) => l.layer === 'label') })[0] ?? null
})
const label = (n: (typeof names)[number]) =>
  n === 'from' || n === 'to' ? `${t('bench.reads')}, ${t(`bench.${n}`)}` : t(`bench.${n}`)
</script>

<template>
  <div>
    <div v-if="baths.length > 0" class="vessels" role="group" :aria-label="t('bench.baths')">
      <button v-for="b in baths" :key="b.id" type="button" @click="take(b.id)">
        {{ b.name }}
        <span class="quiet">{{
          b.lastReading?.strength ? `${showInterval(b.lastReading.strength)} ppm` : t('bench.neverRead')
        }}</span>
      </button>
    </div>
    <div class="correcting">
      <section class="entry">
        <n-select
          :value="chosen?.value ?? null"
          :options="choices"
          :aria-label="t('bench.product')"
          @update:value="(v: string) => (key = v)"
        />
        <div class="fields">
          <figure-field
            v-for="n in names"
            :id="`correct-${n}`"
            :key="n"
            v-model="typed[n]"
            :label="label(n)"
            :unit="units[n]"
            :fault="fault(n)"
            :active="field === n"
            @focus="field = n"
          />
        </div>
        <number-pad v-model="padded" />
      </section>
      <section class="answer" aria-live="polite">
        <template v-if="advice && band && chosen">
          <p v-if="advice.move === 'none'" class="none">{{ t('bench.nothingToCorrect') }}</p>
          <correction-act v-else :correction="advice" :ppe="chosen.product.ppe" plain />
          <band-ruler
            :model="band"
            :after="advice.move === 'none' ? null : advice.after"
            :after-label="
              advice.after
                ? `${showInterval({ lo: Math.round(advice.after.lo ?? 0), hi: Math.round(advice.after.hi ?? 0) })} ppm`
                : ''
            "
          />
          <p class="quiet small">{{ t('common.decides') }}</p>
        </template>
        <p v-else class="hint">{{ t('bench.reads') }}?</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.correcting {
  display: grid;
  grid-template-columns: 430px 1fr;
}
.entry {
  padding: 20px var(--gutter);
  border-right: 1px solid var(--line);
}
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px 18px;
  margin: 18px 0;
}
.answer {
  padding: 24px var(--gutter) 24px 36px;
}
.none,
.hint {
  font-size: 26px;
  font-weight: 600;
  margin-bottom: 20px;
}
.hint {
  color: var(--ink-2);
  font-weight: 400;
}
@media (max-width: 760px) {
  .correcting {
    display: block;
  }
}
</style>

<style scoped src="./vessels.css"></style>
