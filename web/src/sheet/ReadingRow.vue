<script setup lang="ts">
import type { ReadingTaken } from '@tadka/core/reading'
import type { ReadingLine } from '@tadka/core/sheet'
import { amendedWords, limitWords, readingWords } from '@tadka/words/sheet'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useSession } from '../rights/session.ts'
import { useTeller } from '../site/teller.ts'
import JudgementView from '../solution/JudgementView.vue'

/** One reading of a day: when, what, who, its verdict; opened, what it was held against, and its photo. */
const props = defineProps<{ line: ReadingLine }>()
const { t } = useI18n()
const tell = useTeller()
const session = useSession()
const open = ref(false)
const limits = computed(() => limitWords(tell, props.line.reading).join('; '))
const instead = computed(() => (props.line.amended?.instead ?? null) as ReadingTaken | null)
const stands = computed(() => instead.value ?? props.line.reading)
</script>

<template>
  <li class="reading">
    <button type="button" class="line" :aria-expanded="open" @click="open = !open">
      <span class="time">{{ tell.clock(line.at) }}</span>
      <span class="what">
        <span :class="{ struck: line.amended }">{{ readingWords(tell, line.reading) }}</span>
        <b v-if="instead" class="instead">{{ readingWords(tell, instead) }}</b>
        <span v-if="line.amended" class="small quiet">{{ amendedWords(tell, line.amended) }}</span>
        <span class="small quiet limits print-only">{{ t('sheet.limits', { limits }) }}</span>
      </span>
      <span class="who">{{ tell.person(line.by) }}</span>
      <span class="verdict"><verdict-mark v-if="line.verdict" :verdict="line.verdict" :size="20" /></span>
    </button>
    <div v-if="open" class="all">
      <judgement-view :judgement="stands.judgement" compact />
      <img
        v-for="sha in line.photos"
        :key="sha"
        :src="`/api/sites/${session.site}/photos/${sha}`"
        :alt="readingWords(tell, line.reading)"
        class="photo"
      />
    </div>
  </li>
</template>

<style scoped src="./rows.css" />
<style scoped>
.photo {
  max-width: min(520px, 100%);
  border-radius: var(--r);
}
</style>
