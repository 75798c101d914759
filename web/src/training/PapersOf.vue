<script setup lang="ts">
import type { PaperSet } from '@tadka/core/training'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useTimes } from '../site/times.ts'
import PaperForm from './PaperForm.vue'
import { endsOf, newPaper, usePapers } from './papers.ts'
import { useStandings } from './standings.ts'

/** The certificates that somebody holds, with their ends; a manager enters them. */
const props = defineProps<{ person: string }>()
const { t } = useI18n()
const session = useSession()
const papers = usePapers()
const { today } = useStandings()
const { date } = useTimes()
const held = computed(() => papers.of(props.person))
const may = computed(() => session.mayDo('set-up-house'))
const open = ref<PaperSet | null>(null)

const ends = (p: PaperSet) => endsOf(p.until, today.value)
const said = (p: PaperSet) => {
  if (p.until === null) return t('training.paper.noEnd')
  const name = { over: 'ended', soon: 'endsSoon', later: 'ends', open: 'ends' }[ends(p)]
  return t(`training.paper.${name}`, { day: date(p.until) })
}
function keep(p: PaperSet): void {
  papers.keep(props.person, p)
  open.value = null
}
</script>

<template>
  <section class="papers">
    <h2>{{ t('training.papers') }}</h2>
    <p v-if="held.length === 0" class="quiet">{{ t('training.paper.none') }}</p>
    <ul>
      <li v-for="p in held" :key="p.paper">
        <span>
          <b>{{ p.name || t(`training.paper.${p.kind}`) }}</b>
          <span v-if="p.number" class="quiet">{{ p.number }}</span>
        </span>
        <span :class="ends(p)">{{ said(p) }}</span>
        <a v-if="p.photo" :href="`/api/sites/${session.site}/photos/${p.photo}`" target="_blank">{{
          t('training.paper.photo')
        }}</a>
        <n-button v-if="may" @click="open = p">{{ t('training.paper.change') }}</n-button>
      </li>
    </ul>
    <n-button v-if="may && !open" size="large" @click="open = newPaper()">{{
      t('training.paper.add')
    }}</n-button>
    <paper-form
      v-if="open"
      :key="open.paper"
      :paper="open"
      :is-new="!held.some((h) => h.paper === open?.paper)"
      @keep="keep"
      @close="open = null"
    />
  </section>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 22px;
  align-items: center;
  padding: 8px 0;
  border-bottom: 1px solid var(--line-soft);
}
li > span:first-child {
  min-width: 260px;
  display: grid;
}
.soon,
.over {
  font-weight: 650;
  padding-left: 8px;
  border-left: 5px solid var(--close);
}
.over {
  color: var(--out);
  border-left-color: var(--out);
}
.papers > button {
  margin-top: 12px;
}
</style>
