<script setup lang="ts">
import { NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSpanWords } from '../pieces/span-words.ts'
import { bandsOf } from '../pieces/band.ts'
import BandRuler from '../pieces/BandRuler.vue'
import ChoicePick from '../pieces/ChoicePick.vue'
import FigureField from '../pieces/FigureField.vue'
import NumberPad from '../pieces/NumberPad.vue'
import CorrectionAct from './CorrectionAct.vue'
import { correctFields, gotIn, useCorrecting, type CorrectField } from './correcting.ts'

/** A bath that reads wrong: what it reads, how much it is, and the way back. Nothing is recorded here. */
const { t } = useI18n()
const span = useSpanWords()
const c = useCorrecting()

const field = ref<CorrectField>('from')
const padded = computed({
  get: () => c.typed.value[field.value],
  set: (v) => (c.typed.value[field.value] = v),
})
const unit = (n: CorrectField) => (n === 'from' || n === 'to' ? 'ppm' : c.volumeUnit.value)
const label = (n: CorrectField) =>
  n === 'from' || n === 'to' ? `${t('bench.reads')}, ${t(`bench.${n}`)}` : t(`bench.${n}`)
const fault = (n: CorrectField) => {
  const code = c.faultOf(n)
  return code ? t(`bench.${code}`) : undefined
}
const fields = computed(() => correctFields.filter((n) => n !== 'to' || !c.orMore.value))
const band = computed(() => {
  const judged = c.judgement.value
  // What code, label and authority say of the strength; nothing else was read here.
  return judged ? (bandsOf(judged).find((b) => b.unit === 'ppm') ?? null) : null
})
const rounded = (end: number | null) => (end === null ? null : Math.round(end))
const after = computed(() => {
  const a = c.advice.value?.after
  return a ? span({ lo: rounded(a.lo), hi: rounded(a.hi) }, 'ppm') : ''
})
</script>

<template>
  <div>
    <div class="vessels" role="group" :aria-label="t('bench.baths')">
      <button
        v-for="b in c.baths.value"
        :key="b.id"
        type="button"
        :aria-pressed="c.bath.value?.id === b.id"
        @click="c.take(b)"
      >
        {{ b.name }}
        <span class="quiet">{{ c.readingOf(b) ?? t('bench.neverRead') }}</span>
      </button>
      <button type="button" :aria-pressed="c.bath.value === null" @click="c.another()">
        {{ t('bench.ownVessel') }}
      </button>
    </div>
    <div class="correcting">
      <section class="entry">
        <div class="typing">
          <p v-if="c.bath.value && c.made.value" class="made">
            {{ t('bench.madeOf', { product: c.made.value.product.name, use: c.made.value.use.name }) }}
          </p>
          <p v-else-if="c.bath.value" class="refused" role="alert">{{ t('bench.madeUnknown') }}</p>
          <n-select
            v-else
            :value="c.productKey.value"
            :options="c.choices.value.map(({ value, label: name }) => ({ value, label: name }))"
            :placeholder="t('bench.madeOfWhat')"
            :aria-label="t('bench.madeOfWhat')"
            @update:value="(v: string) => (c.productKey.value = v)"
          />
          <div class="fields">
            <figure-field
              v-for="n in fields"
              :id="`correct-${n}`"
              :key="n"
              v-model="c.typed.value[n]"
              :label="label(n)"
              :unit="unit(n)"
              :fault="fault(n)"
              :active="field === n"
              @focus="field = n"
            />
          </div>
          <button
            type="button"
            class="choice more"
            :aria-pressed="c.orMore.value"
            @click="c.orMore.value = !c.orMore.value"
          >
            {{ t('bench.orMore') }}
          </button>
          <choice-pick
            v-model="c.inIt.value"
            class="got"
            named
            :label="t('bench.gotIn')"
            :choices="gotIn.map((value) => ({ text: t(`bench.got.${value}`), value }))"
          />
          <p class="quiet small">{{ t('bench.volumeUnknown') }}</p>
        </div>
        <number-pad v-model="padded" />
      </section>
      <section class="answer" aria-live="polite">
        <p v-if="c.clash.value" class="refused" role="alert">
          {{
            t('bench.left.clash', {
              a: t(`chemical.${c.clash.value.between[0]}`),
              b: t(`chemical.${c.clash.value.between[1]}`),
              effect: t(`bench.effect.${c.clash.value.effect}`),
            })
          }}
          {{ t('bench.remix') }}.
        </p>
        <template v-else-if="c.advice.value && band && c.made.value">
          <p v-if="c.advice.value.move === 'none'" class="none">{{ t('bench.nothingToCorrect') }}</p>
          <correction-act v-else :correction="c.advice.value" :ppe="c.made.value.product.ppe" plain />
          <band-ruler
            :model="band"
            :after="c.advice.value.move === 'none' ? null : c.advice.value.after"
            :after-label="after"
          />
          <p class="quiet small">{{ t('bench.sameProduct') }} {{ t('common.decides') }}</p>
        </template>
        <p v-else-if="c.choices.value.length === 0" class="hint">
          {{ t('bench.noProducts') }}
          <router-link to="/house/products">{{ t('bench.noProductsHow') }}</router-link>
        </p>
        <p v-else-if="c.bath.value === null && !c.made.value" class="hint">{{ t('bench.madeOfWhat') }}</p>
        <p v-else class="hint">{{ t('bench.readsWhat') }}</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.correcting {
  display: grid;
  grid-template-columns: 430px minmax(0, 1fr);
  --key: 52px;
}
.entry {
  padding: 14px var(--gutter);
  border-right: 1px solid var(--line);
}
.made {
  font-weight: 650;
  font-size: 20px;
}
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 18px;
  margin: 10px 0;
  align-items: end;
}
.choice {
  min-height: 48px;
  padding: 0 14px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  font-weight: 600;
  cursor: pointer;
}
.choice[aria-pressed='true'] {
  border-color: var(--sea);
  background: var(--sea-wash);
}
.more {
  width: 100%;
}
.got {
  margin: 8px 0 12px;
}
.refused {
  color: var(--out);
  font-weight: 650;
  font-size: 20px;
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
@media (min-width: 1200px) {
  .correcting {
    grid-template-columns: 700px minmax(0, 1fr);
  }
  .entry {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 240px;
    gap: 28px;
    align-content: start;
    align-items: start;
  }
}
@media (max-width: 760px) {
  .correcting {
    display: block;
  }
}
</style>

<style scoped src="./vessels.css"></style>
