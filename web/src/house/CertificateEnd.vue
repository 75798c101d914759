<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useTrust } from './trust.ts'

/** Until when tablets may reach this site as they do, and what to do before it ends. */
const { t } = useI18n()
const { date } = useTimes()
const { view } = useTrust()
const address = `${window.location.origin}/trust`
const ends = computed(() => (view.value?.now ? date(view.value.now.to) : null))
const isSoon = computed(() => view.value !== null && view.value.next !== null)
</script>

<template>
  <section v-if="ends !== null" class="certificate">
    <h2>{{ t('trust.house.title') }}</h2>
    <p :class="{ soon: isSoon }">
      {{ t(isSoon ? 'trust.house.soon' : 'trust.house.ends', { date: ends, address }) }}
    </p>
    <router-link to="/trust">{{ t('trust.title') }}</router-link>
  </section>
</template>

<style scoped>
.certificate {
  margin-top: 28px;
}
.soon {
  font-weight: 600;
  color: var(--out);
}
a {
  display: inline-flex;
  align-items: center;
  min-height: 48px;
  font-weight: 600;
}
</style>
