<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useTimes } from '../site/times.ts'
import { useRoundWords } from './round-words.ts'
import { useRounds, type RoundRow } from './rounds.ts'

/** The site's rounds: when each is walked next, and what the last one found. */
const { t } = useI18n()
const session = useSession()
const names = useNames()
const { clock, day } = useTimes()
const { when } = useRoundWords()
const { rows, walk } = useRounds()
function last({ state }: RoundRow): string {
  const over = state.walks.at(-1)
  if (!over) return ''
  const told = { when: `${day(over.to)} ${clock(over.to)}`, who: names.person(over.by) }
  return [
    t('round.last', told),
    t('round.found', over.wrong.length),
    ...(over.unseen > 0 ? [t('round.unseen', { n: over.unseen })] : []),
  ].join(' · ')
}
</script>

<template>
  <div>
    <place-bar :title="t('round.title')">
      <router-link v-if="session.mayDo('set-up-house')" to="/house/rounds" class="link">{{
        t('round.make')
      }}</router-link>
      <router-link to="/shift" class="link">‹ {{ t('place.shift') }}</router-link>
    </place-bar>
    <div class="rows">
      <p v-if="rows.length === 0" class="none">
        <b>{{ t('round.none') }}</b>
        <span class="quiet">{{ t('round.noneHow') }}</span>
      </p>
      <ul>
        <li v-for="r in rows" :key="r.state.id" :class="r.due?.is">
          <span class="what">
            <b>{{ r.round.name }}</b>
            <span class="quiet">{{
              [t('round.points', r.round.points.length), t(`round.not.${r.round.who}`)]
                .filter(Boolean)
                .join(' · ')
            }}</span>
            <span class="quiet small">{{ last(r) }}</span>
          </span>
          <span class="when">{{ when(r.due) || t('round.due.none') }}</span>
          <n-button
            :type="r.due?.is === 'now' || r.due?.is === 'late' || r.open ? 'primary' : 'default'"
            class="begin"
            :disabled="!r.may"
            @click="walk(r)"
            >{{ t(r.open ? 'round.goOn' : 'round.begin') }}</n-button
          >
        </li>
      </ul>
    </div>
  </div>
</template>

<style scoped>
.rows {
  padding: 4px var(--gutter) 32px;
  max-width: 980px;
}
.none {
  display: grid;
  gap: 4px;
  font-size: 18px;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 200px 150px;
  gap: 20px;
  align-items: center;
  padding: 14px 0;
  border-bottom: 1px solid var(--line-soft);
}
.what {
  display: grid;
  gap: 2px;
}
.what b {
  font-size: 20px;
}
.late .when {
  color: var(--out);
  font-weight: 650;
}
.now .when {
  font-weight: 650;
}
.begin {
  min-height: 60px;
  font-size: 19px;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 6px 12px;
  }
  .what {
    grid-column: 1 / -1;
  }
}
</style>
