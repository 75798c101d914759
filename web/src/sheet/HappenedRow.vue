<script setup lang="ts">
import type { HappenedLine } from '@tadka/core/sheet'
import { happenedAt, happenedWords } from '@tadka/words/happened'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useTeller } from '../site/teller.ts'

/** One thing of a day that is no cleaning and no reading: when, what, who, with its photo. */
defineProps<{ line: HappenedLine }>()
const { t } = useI18n()
const tell = useTeller()
const session = useSession()
</script>

<template>
  <li>
    <div class="line">
      <span class="time">{{ tell.clock(line.at) }}</span>
      <span class="what">
        <b v-if="happenedAt(tell, line)">{{ happenedAt(tell, line) }}</b>
        <span :class="{ struck: line.amended }">{{ happenedWords(tell, line) }}</span>
        <span v-if="line.amended" class="small quiet">
          {{
            t('sheet.takenBack', {
              time: tell.clock(line.amended.at),
              who: tell.person(line.amended.by),
              reason: line.amended.reason,
            })
          }}
        </span>
        <a
          v-for="sha in line.photos"
          :key="sha"
          class="photo"
          target="_blank"
          :href="`/api/sites/${session.site}/photos/${sha}`"
          >{{ t('sheet.photo') }}</a
        >
      </span>
      <span class="who">{{ tell.person(line.by) }}</span>
      <span class="verdict" />
    </div>
  </li>
</template>

<style scoped src="./rows.css" />
<style scoped>
.struck {
  text-decoration: line-through;
  color: var(--ink-2);
}
.photo {
  display: inline-block;
  padding: 12px 0;
}
</style>
