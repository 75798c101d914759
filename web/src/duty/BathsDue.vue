<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useBaths } from '../solution/baths.ts'

/** Baths that ask for something now: to be changed, or to be tested. */
const { t } = useI18n()
const baths = useBaths()
const asking = computed(() => baths.value.filter((b) => b.now.call !== null))
</script>

<template>
  <section v-if="asking.length > 0" :aria-label="t('shift.baths')">
    <h2 class="label">{{ t('shift.baths') }}</h2>
    <ul>
      <li v-for="b in asking" :key="b.id">
        <span>
          <b>{{ b.name }}</b>
          <span class="small">{{ t(b.now.call === 'change' ? 'bench.changeNow' : 'shift.bathTest') }}</span>
        </span>
        <router-link
          v-if="b.now.call === 'change'"
          :to="{ path: '/bench/mix', query: b.station ? { vessel: b.station } : {} }"
          >{{ t('bench.mix') }}</router-link
        >
        <router-link v-else :to="{ path: '/bench/check', query: { bath: b.id } }">{{
          t('bench.check')
        }}</router-link>
      </li>
    </ul>
  </section>
</template>

<style scoped src="../pieces/asked.css" />
