<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute } from 'vue-router'
import { useSite } from '../site/site.ts'
import { places } from '../router.ts'

const route = useRoute()
const site = useSite()
const { t } = useI18n()
/** Corrective actions still open, told on the log's door. */
const openCases = computed(() => site.all('case').filter((c) => c.status === 'open').length)
</script>

<template>
  <nav class="dock" :aria-label="t('common.keys')">
    <router-link
      v-for="place in places"
      :key="place"
      :to="`/${place}`"
      :class="{ on: route.meta['place'] === place }"
      :aria-current="route.meta['place'] === place ? 'page' : undefined"
    >
      {{ t(`place.${place}`) }}
      <span v-if="place === 'log' && openCases > 0" class="badge">
        {{ openCases }}<span class="visually-hidden"> {{ t('shift.openCases', openCases) }}</span>
      </span>
    </router-link>
  </nav>
</template>

<style scoped>
.dock {
  flex: none;
  height: calc(var(--dock) + env(safe-area-inset-bottom));
  padding-bottom: env(safe-area-inset-bottom);
  background: var(--raised);
  border-top: 1px solid var(--line);
  display: grid;
  grid-template-columns: repeat(6, 1fr);
}
a {
  display: flex;
  align-items: center;
  justify-content: center;
  gap: 8px;
  font-weight: 600;
  color: var(--ink-2);
  text-decoration: none;
  position: relative;
}
a:focus-visible {
  outline-offset: -4px;
}
.on {
  color: var(--ink);
}
.on::before {
  content: '';
  position: absolute;
  top: -1px;
  left: 26%;
  right: 26%;
  height: 4px;
  background: var(--sea);
  border-radius: 0 0 4px 4px;
}
.badge {
  background: var(--out);
  color: var(--out-ink);
  font-size: 14px;
  line-height: 1;
  border-radius: 4px;
  padding: 4px 7px;
}
@media print {
  .dock {
    display: none;
  }
}
</style>
