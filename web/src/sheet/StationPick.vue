<script setup lang="ts">
import { NSelect } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'

/** Which station's sheet is shown: one, or every one. */
const station = defineModel<string>({ required: true })
const { t } = useI18n()
const site = useSite()
const stations = computed(() => [
  { value: '', label: t('sheet.everywhere') },
  ...site
    .all('station')
    .flatMap((s) => (s.plate ? [{ value: s.id, label: s.plate.name }] : []))
    .toSorted((a, b) => a.label.localeCompare(b.label)),
])
</script>

<template>
  <n-select
    v-model:value="station"
    :options="stations"
    class="station"
    :virtual-scroll="false"
    :aria-label="t('sheet.station')"
  />
</template>

<style scoped>
.station {
  width: 280px;
}
@media (max-width: 760px) {
  .station {
    width: 100%;
  }
}
</style>
