<script setup lang="ts">
import { openFaults } from '@tadka/core/fault'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'

/** Machines that are not well, while they are worked with: one that is out of service stands above. */
const { t } = useI18n()
const site = useSite()
const n = computed(() => openFaults(site.all('fault')).filter((f) => f.seen.works !== 'no').length)
</script>

<template>
  <section>
    <ul>
      <li v-if="n > 0">
        <b>{{ t('fault.asked', n) }}</b>
        <router-link to="/house/repairs">{{ t('fault.see') }}</router-link>
      </li>
    </ul>
  </section>
</template>

<style scoped src="../pieces/asked.css" />
