<script setup lang="ts">
import { showMinutes } from '@tadka/core/quantity'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useNames } from '../site/names.ts'
import type { Next } from './next.ts'
import { useJobWords } from './use-job-words.ts'

/** For each person the next action in one sentence: what, when, and what comes then. */
const props = defineProps<{ next: readonly Next[]; now: number }>()
const { t } = useI18n()
const { clock } = useTimes()
const names = useNames()
const words = useJobWords()

const what = (n: Next) =>
  n.now ? words.whole(n.now) : n.leaves === null ? t('plan.free') : t('plan.mayGo', { time: clock(n.leaves) })
const when = (n: Next) => {
  if (!n.now) return ''
  if (n.now.from <= props.now) return t('plan.now')
  const minutes = Math.round((n.now.from - props.now) / 60_000)
  return minutes < 15 ? t('plan.in', { time: showMinutes(Math.max(1, minutes)) }) : clock(n.now.from)
}
const then = (n: Next) => {
  if (!n.now) return ''
  const [then] = n.then
  if (!then) return n.leaves === null ? '' : t('plan.thenGo', { time: clock(n.leaves) })
  return t('plan.then', { time: clock(then.from), what: words.machine(then) })
}
/** Who is by while this person learns, or for whom this person is to be there. */
const aside = ({ now, call }: Next) => {
  if (now?.by) return t('plan.by', { who: names.person(now.by) })
  if (!call) return ''
  const [from, to] = [clock(call.from), clock(call.to)]
  return t('plan.call', { who: names.person(call.learner), from, to })
}
</script>

<template>
  <ul>
    <li v-for="n in next" :key="n.person">
      <span class="who">{{ names.person(n.person) }}</span>
      <b class="what">{{ what(n) }}</b>
      <span class="small when">
        <b v-if="when(n)">{{ when(n) }}</b>
        <span class="quiet">{{ then(n) }}</span>
      </span>
      <span v-if="aside(n)" class="small">{{ aside(n) }}</span>
    </li>
  </ul>
</template>

<style scoped>
ul {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(126px, 1fr));
}
li {
  padding: 0 10px;
  border-left: 1px solid var(--line);
  display: flex;
  flex-direction: column;
  gap: 2px;
}
li:first-child {
  border: 0;
  padding-left: 0;
}
.who {
  color: var(--ink-2);
  font-size: 15px;
}
.what {
  font-size: 17px;
  line-height: 1.2;
}
b.what {
  display: -webkit-box;
  -webkit-line-clamp: 3;
  -webkit-box-orient: vertical;
  overflow: hidden;
}
.when {
  display: flex;
  flex-wrap: wrap;
  gap: 0 8px;
}
@media (max-width: 760px) {
  ul {
    grid-template-columns: 1fr;
    gap: 12px;
  }
  li,
  li:first-child {
    padding-left: 12px;
    border-left: 3px solid var(--sea);
  }
}
</style>
