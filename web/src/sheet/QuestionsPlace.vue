<script setup lang="ts">
import type { Question } from '@tadka/core/honesty'
import { dayOf } from '@tadka/core/calendar'
import type { SiteSet } from '@tadka/core/house'
import { instant } from '@tadka/core/quantity'
import { NButton, NInput } from 'naive-ui'
import { onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { useAsking } from '../wire/asking.ts'
import LogTabs from './LogTabs.vue'
import { useQuestionWords } from './question-words.ts'
import { useQuestions } from './questions.ts'

/** What the log makes a manager ask: each with what it rests on, dismissed or followed up on record. Nobody is accused. */
const { t } = useI18n()
const site = useSite()
const names = useNames()
const questions = useQuestions()
const words = useQuestionWords()
const { clock, date, day } = useTimes()
const { busy, wrong, tryTo } = useAsking()
onMounted(questions.load)

const keyOf = (q: Question) => `${q.kind} ${q.person} ${q.from}`
/** By the question: what came of it, as it is typed. */
const notes = ref<Record<string, string>>({})
const asking = ref('')
const noteOf = (q: Question) => notes.value[keyOf(q)]?.trim() ?? ''
const isSaid = (q: Question) => noteOf(q).length >= 3

async function answer(q: Question, how: 'dismissed' | 'followed-up'): Promise<void> {
  if (!isSaid(q)) return
  asking.value = keyOf(q)
  await tryTo(() => questions.answer(q, how, noteOf(q)))
}
/** The entries that it rests on. */
const entries = (q: Question) => {
  const set = site.set as SiteSet
  const on = (at: number) => dayOf(set, instant(at))
  return { path: '/log/entries', query: { person: q.person, from: on(q.from), to: on(q.to) } }
}
</script>

<template>
  <div class="questions">
    <place-bar :title="t('place.log')"><log-tabs /></place-bar>
    <div class="body">
      <p class="quiet">{{ t('question.how') }}</p>
      <p v-if="questions.list === null" class="none quiet" role="status">
        {{ t(questions.failed ? 'question.unreachable' : 'question.looking') }}
      </p>
      <template v-else>
        <p v-if="questions.list.questions.length === 0" class="none">{{ t('question.none') }}</p>
        <ol v-else>
          <li v-for="q in questions.list.questions" :key="keyOf(q)">
            <h2>{{ words.asks(q) }}</h2>
            <p>{{ words.rests(q) }}</p>
            <p class="quiet">{{ t('question.honest') }} {{ words.honest(q) }}</p>
            <p>
              <router-link :to="entries(q)" class="entries">{{
                t('question.entries', {
                  from: `${day(q.from)} ${clock(q.from)}`,
                  to: `${day(q.to)} ${clock(q.to)}`,
                })
              }}</router-link>
            </p>
            <form class="answer" @submit.prevent="answer(q, 'followed-up')">
              <n-input
                :value="notes[keyOf(q)] ?? ''"
                :maxlength="500"
                :placeholder="t('question.noteLike')"
                :input-props="{ 'aria-label': t('question.note') }"
                @update:value="(note: string) => (notes[keyOf(q)] = note)"
              />
              <n-button :disabled="!isSaid(q) || busy" @click="answer(q, 'dismissed')">{{
                t('question.dismiss')
              }}</n-button>
              <n-button type="primary" attr-type="submit" :disabled="!isSaid(q) || busy">{{
                t('question.follow')
              }}</n-button>
            </form>
            <p v-if="wrong && asking === keyOf(q)" class="wrong" role="alert">{{ wrong }}</p>
          </li>
        </ol>
        <template v-if="questions.list.answered.length > 0">
          <h2 class="past">{{ t('question.past') }}</h2>
          <ul>
            <li v-for="a in questions.list.answered" :key="a.id">
              <p>{{ t(`question.asks.${a.kind}`, { who: names.person(a.person) }) }}</p>
              <p class="quiet">
                {{
                  t(`question.was.${a.how}`, {
                    who: names.person(a.by),
                    time: `${date(a.at)} ${clock(a.at)}`,
                  })
                }}
                {{ a.note }}
              </p>
            </li>
          </ul>
        </template>
      </template>
    </div>
  </div>
</template>

<style scoped>
.body {
  padding: 4px var(--gutter) 40px;
  max-width: 1000px;
}
.none {
  padding: 30px 0;
  font-size: 20px;
}
li {
  display: grid;
  gap: 6px;
  padding: 16px 0;
  border-bottom: 1px solid var(--line);
}
h2 {
  font-size: 20px;
  font-weight: 650;
}
.past {
  margin-top: 30px;
}
.entries {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
.answer {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.answer > :first-child {
  flex: 1 1 280px;
}
.answer :deep(.n-button),
.answer :deep(.n-input) {
  min-height: 52px;
  align-items: center;
}
.wrong {
  color: var(--out);
  font-weight: 600;
}
</style>
