<script setup lang="ts">
import type { CaseState } from '@tadka/core/case'
import type { ReadingLine } from '@tadka/core/sheet'
import { actWords, endWords, readingWords } from '@tadka/words/sheet'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useTeller } from '../site/teller.ts'

/** A corrective action: what opened it, what was done, how it ended, each with who and when. */
const props = defineProps<{ of: CaseState; openedBy: ReadingLine | null }>()
const { t } = useI18n()
const tell = useTeller()
const title = computed(() => {
  if (props.openedBy) return readingWords(tell, props.openedBy.reading)
  const { what } = props.of
  return what === null || what === 'forbidden-act' ? t('log.flags.forbidden-act') : t(`bench.what.${what}`)
})
</script>

<template>
  <li class="case" :class="of.status">
    <div class="line">
      <span class="time">{{ tell.clock(of.openedAt) }}</span>
      <span class="what">
        <b> {{ of.station ? `${tell.station(of.station)}: ` : '' }}{{ title }} </b>
        <span v-for="(a, i) in of.actions" :key="i">
          {{ tell.clock(a.at) }} {{ actWords(tell, a) }}. {{ tell.person(a.by) }}
        </span>
        <span class="end">{{ endWords(tell, of) }}</span>
      </span>
      <span class="who" />
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
