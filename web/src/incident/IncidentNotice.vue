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
    <router-link :to="`/shift/wrong/${i.id}`">
      <b>{{ t('trouble.since', { kind: t(`trouble.kind.${i.kind}`), time: clock(i.at) }) }}</b>
      <span v-if="stationsOut(i).length > 0" class="out">{{ t('trouble.out', stationsOut(i).length) }}</span>
      <span class="see">{{ t('trouble.see') }}</span>
    </router-link>
  </p>
</template>

<style scoped>
.wrong {
  flex: none;
  background: var(--out);
}
a {
  min-height: 48px;
  display: flex;
  align-items: center;
  gap: 18px;
  padding: 0 var(--gutter);
  color: var(--out-ink);
  text-decoration: none;
}
a:focus-visible {
  outline-offset: -4px;
}
.see {
  margin-left: auto;
  flex: none;
  font-weight: 650;
  text-decoration: underline;
}
@media (max-width: 760px) {
  .out {
    display: none;
  }
}
@media print {
  .wrong {
    display: none;
  }
}
</style>
