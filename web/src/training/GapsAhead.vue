<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import { useGaps } from './gaps.ts'
import { useStandings } from './standings.ts'
import { useTrainingWords } from './training-words.ts'

/** What too few may do alone within four weeks: of all that falls due on the site's machines. */
const { t } = useI18n()
const names = useNames()
const standings = useStandings()
const words = useTrainingWords()

const gaps = useGaps(28)
</script>

<template>
  <section>
    <h2>{{ t('training.gaps.title') }}</h2>
    <p v-if="gaps.length === 0" class="quiet">{{ t('training.gaps.none') }}</p>
    <ul>
      <li v-for="g in gaps" :key="g.procedure" :class="{ grave: g.people.length === 0 }">
        <b>{{ standings.called(g.procedure) }}</b>
        <span>{{ words.gap(g, standings.today.value) }}</span>
        <template v-for="l in g.lapses" :key="l.person">
          <span v-if="l.standing.lapse?.why === 'time'" class="quiet">{{
            t('training.gaps.lapses', {
              who: names.person(l.person),
              day: words.date(l.standing.lapse.on),
            })
          }}</span>
        </template>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 2px 24px;
  padding: 10px 0 10px 12px;
  border-bottom: 1px solid var(--line-soft);
  border-left: 5px solid var(--close);
}
li.grave {
  border-left-color: var(--out);
}
.quiet {
  grid-column: 2;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: 1fr;
  }
  .quiet {
    grid-column: 1;
  }
}
</style>
