<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useSentence } from './sentence.ts'
import type { AnyRecord } from '@tadka/core/stream'
import { useSiteStore } from '../site/site.ts'

/** What this tablet made and the server refused: kept, with the reason, until someone puts it aside. */
const site = useSiteStore()
const { t } = useI18n()
const { clock } = useTimes()
const { say } = useSentence()
</script>

<template>
  <section v-if="site.refused.length > 0" class="refused">
    <h2>{{ t('log.refused') }}</h2>
    <p>{{ t('log.refusedHow') }}</p>
    <ul>
      <li v-for="r in site.refused" :key="r.draft.id">
        <span>
          <b>{{ clock(r.draft.observedAt) }} {{ say(r.draft as AnyRecord) }}</b
          ><br />{{ r.refusal.message }}
        </span>
        <n-button @click="site.putAside(r.draft.id)">{{ t('log.putAside') }}</n-button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.refused {
  margin: 8px var(--gutter) 16px;
  padding: 14px 18px;
  border-left: 5px solid var(--out);
  background: var(--out-wash);
}
li {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  align-items: center;
  padding: 8px 0;
}
</style>
