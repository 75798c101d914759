<script setup lang="ts">
import { stationsOut } from '@tadka/core/incident'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'

/** What goes wrong now, on every screen of every tablet, with the way to what is done about it. */
const { t } = useI18n()
const site = useSite()
const { clock } = useTimes()
const open = computed(() =>
  site
    .all('incident')
    .filter((i) => i.status === 'open')
    .toSorted((a, b) => a.at - b.at),
)
</script>

<template>
  <p v-for="i in open" :key="i.id" class="wrong" role="alert">
    <b>{{ t('trouble.since', { kind: t(`trouble.kind.${i.kind}`), time: clock(i.at) }) }}</b>
    <span>{{ t('trouble.out', stationsOut(i).length) }}</span>
    <router-link :to="`/shift/wrong/${i.id}`">{{ t('trouble.see') }}</router-link>
  </p>
</template>

<style scoped>
.wrong {
  flex: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: center;
  padding: 0 var(--gutter);
  background: var(--out);
  color: var(--out-ink);
}
a {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  margin-left: auto;
  color: inherit;
  font-weight: 650;
}
@media print {
  .wrong {
    display: none;
  }
}
</style>
