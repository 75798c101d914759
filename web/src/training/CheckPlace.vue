<script setup lang="ts">
import type { AskedCheck, MarkedCheck } from '@tadka/contract/training'
import { Refusal } from '@tadka/core/refusal'
import { NButton } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import PlaceBar from '../frame/PlaceBar.vue'
import LeaveAsked from '../pieces/LeaveAsked.vue'
import StripDrawn from '../pieces/StripDrawn.vue'
import { useSession } from '../rights/session.ts'
import { ask } from '../wire/api.ts'
import CheckMarked from './CheckMarked.vue'
import { useQuestionWords } from './question-words.ts'
import { useStandings } from './standings.ts'

/** Questions on a procedure, one at a time; at the end what was not right, and why. Without a procedure: what comes back. */
const props = defineProps<{ procedure?: string }>()
const { t } = useI18n()
const session = useSession()
const standings = useStandings()
const router = useRouter()

const asked = ref<AskedCheck | null>(null)
const marked = ref<MarkedCheck | null>(null)
const answers = ref<(number | null)[]>([])
const at = ref(0)
const wrong = ref('')
const busy = ref(false)
const words = useQuestionWords()
const path = () => `/api/sites/${session.site}/training-checks`
const title = computed(() =>
  props.procedure ? t('check.title', { procedure: standings.called(props.procedure) }) : t('check.again'),
)
const question = computed(() => asked.value?.questions[at.value] ?? null)
const isLast = computed(() => at.value === (asked.value?.questions.length ?? 0) - 1)

async function tryTo(what: () => Promise<void>): Promise<void> {
  busy.value = true
  wrong.value = ''
  try {
    await what()
  } catch (error) {
    wrong.value = error instanceof Refusal ? error.message : t('check.unreachable')
  } finally {
    busy.value = false
  }
}
const begin = () =>
  tryTo(async () => {
    marked.value = null
    asked.value = null
    const got = await ask<AskedCheck>('POST', path(), { procedure: props.procedure ?? null })
    answers.value = got.questions.map(() => null)
    at.value = 0
    asked.value = got
  })
onMounted(begin)
function go(): void {
  if (!isLast.value) at.value += 1
  else
    void tryTo(async () => {
      marked.value = await ask<MarkedCheck>('POST', `${path()}/${asked.value?.id}`, {
        answers: answers.value,
      })
    })
}

const canSpeak = 'speechSynthesis' in window
function speak(): void {
  if (!question.value) return
  const { asks, answers: all, numbers } = question.value
  const said = [words.asked(asks, numbers), ...all.map((a) => words.answer(a, numbers))].join('. ')
  speechSynthesis.cancel()
  speechSynthesis.speak(new SpeechSynthesisUtterance(said))
}
</script>

<template>
  <div>
    <place-bar :title="title">
      <n-button v-if="canSpeak && question && !marked" size="large" @click="speak">{{
        t('check.aloud')
      }}</n-button>
      <router-link to="/shift/training" class="leave">{{
        t(marked ? 'check.done' : 'check.leave')
      }}</router-link>
    </place-bar>
    <div class="body">
      <div v-if="wrong" class="wrong" role="alert">
        <p>{{ wrong }}</p>
        <n-button size="large" @click="asked && !marked ? go() : begin()">{{ t('check.tryAgain') }}</n-button>
      </div>
      <p v-else-if="!asked" role="status">{{ t('check.loading') }}</p>
      <check-marked
        v-if="marked && asked"
        :asked="asked"
        :marked="marked"
        :answers="answers"
        @other="begin"
        @done="router.push('/shift/training')"
      />
      <form v-else-if="question && asked" @submit.prevent="answers[at] !== null && go()">
        <p class="of">{{ t('check.of', { n: at + 1, of: asked.questions.length }) }}</p>
        <h2 id="asked">{{ words.asked(question.asks, question.numbers) }}</h2>
        <strip-drawn
          v-if="question.asks.kind === 'strip'"
          :blocks="question.asks.blocks"
          :colours="question.asks.colours"
          :shows="question.asks.shows"
          :label="t('check.strip.drawn')"
        />
        <div class="answers" role="radiogroup" aria-labelledby="asked">
          <button
            v-for="(a, i) in question.answers"
            :key="`${at} ${i}`"
            type="button"
            role="radio"
            :aria-checked="answers[at] === i"
            @click="answers[at] = i"
          >
            <span class="mark" aria-hidden="true" />
            {{ words.answer(a, question.numbers) }}
          </button>
        </div>
        <n-button
          type="primary"
          size="large"
          class="next"
          attr-type="submit"
          :disabled="answers[at] === null"
          :loading="busy"
          >{{ t(isLast ? 'check.finish' : 'check.next') }}</n-button
        >
      </form>
    </div>
    <leave-asked
      :asks="!marked && answers.some((a) => a !== null)"
      :title="t('check.leaveSure')"
      :leave="t('check.leave')"
      :stay="t('check.goOn')"
    />
  </div>
</template>

<style scoped>
.body {
  padding: 8px var(--gutter) 32px;
  max-width: 1000px;
}
form {
  display: grid;
  gap: 14px;
}
.of {
  color: var(--ink-2);
  font-variant-numeric: tabular-nums;
}
h2 {
  font-size: clamp(22px, 2.4vw, 30px);
  line-height: 1.2;
}
.answers {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.answers button {
  min-height: 84px;
  display: flex;
  gap: 14px;
  align-items: center;
  padding: 10px 18px;
  text-align: left;
  font: inherit;
  font-size: 20px;
  color: var(--ink);
  background: var(--raised);
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  cursor: pointer;
}
.answers button[aria-checked='true'] {
  border-color: var(--sea);
  background: var(--sea-wash);
  font-weight: 600;
}
.mark {
  flex: none;
  width: 20px;
  height: 20px;
  border: 2.5px solid var(--ink-3);
  border-radius: 50%;
}
[aria-checked='true'] .mark {
  border: 7px solid var(--sea);
}
.next {
  min-height: 64px;
  min-width: 200px;
  justify-self: start;
  font-size: 20px;
}
.leave {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
.wrong {
  display: grid;
  gap: 12px;
  justify-items: start;
  font-weight: 600;
}
@media (max-width: 760px) {
  .answers {
    grid-template-columns: 1fr;
  }
}
</style>
