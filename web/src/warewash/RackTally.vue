<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'
import type { Dish } from './dish.ts'

/** Without a probe: racks counted with one large button, and taken back; the gauges read by hand on the Bench. */
const props = defineProps<{ station: string; dish: Dish }>()
const { t } = useI18n()
const site = useSite()
const tally = (racks: number) =>
  site.record('rack.tallied@1', { kind: 'dish', id: props.station }, { station: props.station, racks })
</script>

<template>
  <section class="tally" :aria-label="t('dish.byHand')">
    <button type="button" class="more" @click="tally(1)">
      <span class="plus" aria-hidden="true">+1</span> {{ t('dish.oneRack') }}
    </button>
    <n-button size="large" :disabled="dish.state.value.total === 0" @click="tally(-1)">{{
      t('dish.takeBack')
    }}</n-button>
    <router-link class="read" :to="{ path: '/bench/check', query: { what: 'dish-machine', station } }">{{
      t('dish.readByHand')
    }}</router-link>
  </section>
</template>

<style scoped>
.tally {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  align-items: center;
}
.more {
  min-height: 96px;
  min-width: 260px;
  display: flex;
  align-items: center;
  justify-content: center;
  gap: 18px;
  border: 0;
  border-radius: var(--r);
  background: var(--sea);
  color: var(--sea-ink);
  font-size: 22px;
  font-weight: 650;
  cursor: pointer;
}
.plus {
  font-size: 44px;
}
.read {
  font-weight: 600;
}
</style>
