<script setup lang="ts">
import type { AnyRecord } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import { useTimes } from '../site/times.ts'
import { clockOffset } from '../wire/clock.ts'
import { useNames } from '../site/names.ts'
import RefusedDrafts from './RefusedDrafts.vue'
import { useSentence } from './sentence.ts'
import { useSiteStore } from '../site/site.ts'

/** What was done on this tablet and is not with the server yet: since when, why, and what to do. */
const { t } = useI18n()
const site = useSiteStore()
const names = useNames()
const { clock, day } = useTimes()
const { say } = useSentence()
const rows = computed(() =>
  site.waiting.map((draft) => {
    const at = draft.observedAt + clockOffset.value
    return {
      id: draft.id,
      when: `${day(at)} ${clock(at)}`,
      who: names.person(draft.by),
      what: say(draft as AnyRecord),
    }
  }),
)
const why = computed(() => {
  const { stuck } = site
  if (stuck === null) return t('log.unsent.now')
  return stuck === 'unreachable'
    ? t('log.unsent.unreachable')
    : t('log.unsent.refused', { why: stuck.message })
})
</script>

<template>
  <div class="unsent">
    <place-bar :title="t('log.unsent.title')" />
    <refused-drafts />
    <section v-if="rows.length > 0">
      <p class="why" role="status">{{ why }}</p>
      <p class="quiet">{{ t('log.unsent.kept') }}</p>
      <n-button class="try" @click="site.send">{{ t('log.unsent.try') }}</n-button>
      <ol>
        <li v-for="r in rows" :key="r.id">
          <span class="when">{{ r.when }}</span>
          <span
            ><b>{{ r.who }}</b
            >: {{ r.what }}</span
          >
        </li>
      </ol>
    </section>
    <section v-else>
      <p role="status">{{ t('log.unsent.none') }}</p>
      <router-link to="/log">{{ t('log.unsent.log') }}</router-link>
    </section>
  </div>
</template>

<style scoped>
section {
  padding: 0 var(--gutter) 24px;
}
.why {
  font-weight: 600;
  margin-bottom: 4px;
}
.try {
  margin: 14px 0 6px;
}
li {
  display: flex;
  gap: 20px;
  padding: 12px 0;
  border-top: 1px solid var(--line-soft);
}
.when {
  flex: none;
  color: var(--ink-2);
  font-variant-numeric: tabular-nums;
}
a {
  display: inline-flex;
  align-items: center;
  min-height: 48px;
  font-weight: 600;
}
</style>
