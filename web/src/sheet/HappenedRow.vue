<script setup lang="ts">
import type { HappenedLine } from '@tadka/core/sheet'
import { happenedAt, happenedLine } from '@tadka/words/happened'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useTeller } from '../site/teller.ts'

/** One thing of a day that is no cleaning and no reading: when, what, who, with its photo. */
const props = defineProps<{ line: HappenedLine }>()
const { t } = useI18n()
const tell = useTeller()
const session = useSession()
const told = computed(() => happenedLine(tell, props.line))
</script>

<template>
  <li>
    <div class="line">
      <span class="time">{{ tell.clock(line.at) }}</span>
      <span class="what">
        <b v-if="happenedAt(tell, line)">{{ happenedAt(tell, line) }}</b>
        <span v-if="told.before" class="struck">{{ told.before }}</span>
        <span v-if="told.said">{{ told.said }}</span>
        <span v-if="told.why" class="small quiet">{{ told.why }}</span>
        <a
          v-for="sha in line.photos"
          :key="sha"
          class="to-photo"
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
.to-photo {
  display: inline-block;
  padding: 12px 0;
}
</style>
