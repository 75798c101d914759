<script setup lang="ts">
import { type Interval } from '@tadka/core/quantity'
import type { Judgement, LimitVerdict } from '@tadka/core/rules'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSpanWords } from '../pieces/span-words.ts'
import { bandsOf } from '../pieces/band.ts'
import BandRuler from '../pieces/BandRuler.vue'
import VerdictMark from '../pieces/VerdictMark.vue'

/** A judgement: the verdict large, what it rests on, the band, and every layer's limits with their sources. */
const props = withDefaults(
  defineProps<{ judgement: Judgement; after?: Interval | null; afterLabel?: string; compact?: boolean }>(),
  { after: null, afterLabel: '', compact: false },
)
const { t } = useI18n()
const span = useSpanWords()
/** In older records the source says it all. */
const sourceOf = ({ source, note }: LimitVerdict) => (note ? t(`limit.${note}`, { source }) : source)

/** What is not in comes first. */
const bands = computed(() =>
  bandsOf(props.judgement).toSorted((a, b) => Number(a.verdict === 'in') - Number(b.verdict === 'in')),
)
const failing = computed(() =>
  props.judgement.layers.flatMap((l) =>
    l.limits.filter((x) => x.verdict === props.judgement.overall && x.verdict !== 'in'),
  ),
)
const shownLimit = (l: LimitVerdict) =>
  l.limit ? `${t(`quantity.${l.quantity}`)} ${span(l.limit, l.unit)}` : t(`quantity.${l.quantity}`)
const shownReading = (l: LimitVerdict) => (l.reading ? span(l.reading) : '–')
const said = computed(() => {
  const first = failing.value[0]
  const reading = first?.reading ? span(first.reading, first.unit) : ''
  const limits = failing.value
    .map(shownLimit)
    .filter((x, i, a) => a.indexOf(x) === i)
    .join('; ')
  return t(`bench.said.${props.judgement.overall}`, { reading, limits })
})
</script>

<template>
  <div class="judgement" aria-live="polite">
    <div v-if="!compact" class="head">
      <verdict-mark :verdict="judgement.overall" :size="58" class="large" />
    </div>
    <p class="say">{{ said }}</p>
    <ul v-if="judgement.missing.length > 0" class="missing">
      <li v-for="m in judgement.missing" :key="m.quantity">
        {{
          m.best === 'in' && m.worst === 'out' && (m.quantity === 'strength' || m.quantity === 'label')
            ? t('bench.needs', { what: t(`quantity.${m.quantity}`) })
            : t('bench.couldBe', {
                what: t(`quantity.${m.quantity}`),
                best: t(`verdict.${m.best}`).toLowerCase(),
                worst: t(`verdict.${m.worst}`).toLowerCase(),
              })
        }}
      </li>
    </ul>
    <slot />
    <figure v-for="band in bands" :key="band.quantity">
      <figcaption v-if="bands.length > 1">{{ t(`quantity.${band.quantity}`) }}</figcaption>
      <band-ruler :model="band" :after="after" :after-label="afterLabel" />
    </figure>
    <div class="layers">
      <div v-for="(layer, i) in judgement.layers" :key="i" class="layer">
        <b>{{ t(`layer.${layer.layer}`) }}</b>
        <div v-for="(l, j) in layer.limits" :key="j" class="limit">
          <span
            >{{ shownLimit(l) }}<br /><span class="quiet small">{{ sourceOf(l) }}</span></span
          >
          <span class="read">{{ shownReading(l) }}</span>
          <verdict-mark :verdict="l.verdict" :size="18" />
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
figure {
  margin: 0 0 6px;
}
figcaption {
  font-weight: 600;
  color: var(--ink-2);
}
.large {
  font-size: 46px;
  line-height: 1;
}
.say {
  font-size: 19px;
  color: var(--ink-2);
  margin: 10px 0 6px;
}
.missing li {
  padding: 4px 0 4px 16px;
  border-left: 3px dashed var(--blank);
  margin-bottom: 4px;
}
.layers {
  margin-top: 10px;
}
.layer {
  display: grid;
  grid-template-columns: 96px 1fr;
  border-top: 1px solid var(--line-soft);
  padding: 8px 0;
}
.limit {
  grid-column: 2;
  display: grid;
  grid-template-columns: 1fr auto 128px;
  gap: 14px;
  padding: 3px 0;
  line-height: 1.25;
}
.read {
  color: var(--ink-2);
}
@media (max-width: 760px) {
  .layer {
    grid-template-columns: 1fr;
  }
  .limit {
    grid-column: 1;
  }
}
</style>
