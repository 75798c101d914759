<script setup lang="ts">
import type { CaseState } from '@tadka/core/case'
import type { ReadingLine } from '@tadka/core/sheet'
import { caseLines, caseTitle, endWords, readingWords } from '@tadka/words/sheet'
import { computed } from 'vue'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useSession } from '../rights/session.ts'
import { useTeller } from '../site/teller.ts'

/** A corrective action: what opened it, what was done, how it ended, each with who and when. */
const props = defineProps<{
  of: CaseState
  openedBy: ReadingLine | null
  /** The day on whose sheet it stands. */ day: string
}>()
const tell = useTeller()
const session = useSession()
const title = computed(() =>
  caseTitle(tell, props.of, props.openedBy && readingWords(tell, props.openedBy.reading)),
)
</script>

<template>
  <li class="case" :class="of.status">
    <div class="line">
      <span class="time">{{ tell.clock(of.openedAt) }}</span>
      <span class="what">
        <router-link v-if="session.mayDo('read')" :to="`/log/case/${of.id}?day=${day}`" class="title">
          {{ of.station ? `${tell.station(of.station)}: ` : '' }}{{ title }}
        </router-link>
        <b v-else>{{ of.station ? `${tell.station(of.station)}: ` : '' }}{{ title }}</b>
        <span v-for="(line, i) in caseLines(tell, of)" :key="i">{{ line.text }}</span>
        <span class="end">{{ endWords(tell, of) }}</span>
      </span>
      <span class="who">{{ tell.person(of.by) }}</span>
      <span class="verdict"><verdict-mark v-if="of.verdict" :verdict="of.verdict" :size="20" /></span>
    </div>
  </li>
</template>

<style scoped src="./rows.css" />
<style scoped>
.open .end {
  color: var(--out);
  font-weight: 600;
}
</style>
