<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useTimes } from '../site/times.ts'
import { endsOf, usePapers } from './papers.ts'
import { useStandings } from './standings.ts'

/** Certificates that end soon, or have ended: whose, and when. */
const { t } = useI18n()
const session = useSession()
const papers = usePapers()
const { today } = useStandings()
const { date } = useTimes()
const ending = computed(() =>
  session.everyone.flatMap((who) =>
    papers
      .of(who.id)
      .filter((p) => ['soon', 'over'].includes(endsOf(p.until, today.value)))
      .map((paper) => ({ who, paper })),
  ),
)
</script>

<template>
  <section v-if="ending.length > 0">
    <h2>{{ t('training.paper.soonTitle') }}</h2>
    <ul>
      <li v-for="e in ending" :key="e.paper.paper">
        <router-link :to="`/house/card/${e.who.id}`">{{ e.who.name }}</router-link>
        <span>{{ e.paper.name || t(`training.paper.${e.paper.kind}`) }}</span>
        <b>{{
          t(`training.paper.${endsOf(e.paper.until, today) === 'over' ? 'ended' : 'ends'}`, {
            day: date(e.paper.until ?? ''),
          })
        }}</b>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 24px;
  min-height: 48px;
  align-items: center;
  padding-left: 12px;
  border-left: 5px solid var(--close);
  border-bottom: 1px solid var(--line-soft);
}
</style>
