<script setup lang="ts">
import type { AskedCheck, MarkedCheck } from '@tadka/contract/training'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useQuestionWords } from './question-words.ts'
import StripDrawn from '../pieces/StripDrawn.vue'

/** How a check went: what was not right, what is, and where that is said. */
const props = defineProps<{
  asked: AskedCheck
  marked: MarkedCheck
  answers: readonly (number | null)[]
}>()
const emit = defineEmits<{ other: []; done: [] }>()
const { t } = useI18n()
const words = useQuestionWords()

const said = computed(() => {
  const { right, asked, passed, counts, passPercent } = props.marked
  if (!counts) return t('check.wentOver', { right, asked })
  return t(passed ? 'check.passed' : 'check.failed', { right, asked, percent: passPercent })
})
const wrong = computed(() =>
  props.asked.questions.flatMap(({ asks, answers, numbers }, i) => {
    const mark = props.marked.questions[i]
    const [own, right] = [answers[props.answers[i] ?? -1], answers[mark?.right ?? -1]]
    return mark && right && props.answers[i] !== mark.right
      ? [{ asks, own, right, numbers, because: mark.because }]
      : []
  }),
)
</script>

<template>
  <div class="marked">
    <h1 :class="{ passed: marked.passed }">{{ said }}</h1>
    <template v-if="wrong.length > 0">
      <h2>{{ t('check.wrong') }}</h2>
      <ul>
        <li v-for="(w, i) in wrong" :key="i">
          <b>{{ words.asked(w.asks, w.numbers) }}</b>
          <strip-drawn
            v-if="w.asks.kind === 'strip'"
            :blocks="w.asks.blocks"
            :colours="w.asks.colours"
            :shows="w.asks.shows"
            :label="t('check.strip.drawn')"
          />
          <span v-if="w.own">{{ t('check.yours') }}: {{ words.answer(w.own, w.numbers) }}</span>
          <span
            ><b>{{ t('check.right') }}: {{ words.answer(w.right, w.numbers) }}</b></span
          >
          <span class="quiet">{{ words.because(w.because) }}</span>
        </li>
      </ul>
      <p class="quiet">{{ t('check.comeAgain') }}</p>
    </template>
    <div class="acts">
      <n-button type="primary" size="large" @click="emit('done')">{{ t('check.done') }}</n-button>
      <n-button v-if="marked.counts && !marked.passed" size="large" @click="emit('other')">{{
        t('check.other')
      }}</n-button>
    </div>
  </div>
</template>

<style scoped>
.marked {
  display: grid;
  gap: 14px;
}
h1 {
  font-size: 34px;
  line-height: 1.2;
}
.passed {
  color: var(--in);
}
li {
  display: grid;
  gap: 6px;
  padding: 12px 0 12px 14px;
  border-left: 5px solid var(--close);
  border-bottom: 1px solid var(--line-soft);
}
.acts {
  display: flex;
  gap: 12px;
}
</style>
