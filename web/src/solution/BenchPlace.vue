<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ActingChip from '../people/ActingChip.vue'
import BathList from './BathList.vue'
import CheckPlace from './CheckPlace.vue'
import BenchCorrect from './BenchCorrect.vue'
import BenchMix from './BenchMix.vue'

/** Mix, correct, check: the answer first, its working below. */
const props = defineProps<{ act?: string }>()
const { t } = useI18n()
const acts = ['mix', 'correct', 'check', 'baths'] as const
const views = { mix: BenchMix, correct: BenchCorrect, check: CheckPlace, baths: BathList }
const current = computed(() => acts.find((a) => a === props.act) ?? 'mix')
</script>

<template>
  <div class="bench">
    <header>
      <h1 class="visually-hidden">{{ t('place.bench') }}: {{ t(`bench.${current}`) }}</h1>
      <nav :aria-label="t('place.bench')">
        <router-link
          v-for="a in acts"
          :key="a"
          :to="`/bench/${a}`"
          :class="{ on: a === current }"
          :aria-current="a === current ? 'page' : undefined"
        >
          {{ t(`bench.${a}`) }}
        </router-link>
      </nav>
      <acting-chip />
    </header>
    <component :is="views[current]" class="view" />
  </div>
</template>

<style scoped>
.bench {
  height: 100%;
  display: flex;
  flex-direction: column;
}
header {
  min-height: 76px;
  display: flex;
  justify-content: space-between;
  align-items: center;
  padding: 0 var(--gutter);
  border-bottom: 1px solid var(--line);
  flex-wrap: wrap;
}
nav {
  display: flex;
  flex-wrap: wrap;
  column-gap: 14px;
  min-width: 0;
}
@media (max-width: 500px) {
  nav {
    column-gap: 0;
  }
}
nav a {
  display: flex;
  align-items: center;
  min-height: 60px;
  padding: 8px 12px 4px;
  font-size: 22px;
  font-weight: 600;
  color: var(--ink-2);
  text-decoration: none;
  border-bottom: 4px solid transparent;
}
nav a.on {
  color: var(--ink);
  border-bottom-color: var(--sea);
}
.view {
  flex: 1;
  min-height: 0;
  overflow: auto;
}
</style>
