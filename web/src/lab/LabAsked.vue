<script setup lang="ts">
import { samplesStand } from '@tadka/core/lab'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useLocalRules } from '../site/local-rules.ts'
import { useSite } from '../site/site.ts'

/** A laboratory result that is not in range, until a later one of the same place is. */
const { t } = useI18n()
const site = useSite()
const { rules } = useLocalRules()
const n = computed(() => samplesStand(site.all('sample'), rules.value).filter((s) => s.is === 'open').length)
</script>

<template>
  <section>
    <ul>
      <li v-if="n > 0">
        <b class="danger">{{ t('lab.asked', n) }}</b>
        <router-link to="/house/lab">{{ t('lab.see') }}</router-link>
      </li>
    </ul>
  </section>
</template>

<style scoped src="../pieces/asked.css" />
<style scoped>
.danger {
  color: var(--out);
}
</style>
