<script setup lang="ts">
import type { SiteSet } from '@tadka/core/house'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from './site.ts'

/** Whom to call, as the site has it; where it has nobody, who enters it and where. */
const { t } = useI18n()
const site = useSite()
const set = computed(() => site.set as Partial<SiteSet> | null)
const contacts = computed(() => set.value?.contacts ?? [])
</script>

<template>
  <div class="call">
    <h2>{{ t('calls.call') }}</h2>
    <p v-for="c in contacts" :key="c.kind + c.phone">
      {{ t(`calls.kind.${c.kind}`) }}: {{ c.name }}
      <a :href="`tel:${c.phone.replaceAll(' ', '')}`">{{ c.phone }}</a>
    </p>
    <p v-if="contacts.length === 0" class="quiet">{{ t('calls.none') }}</p>
    <p v-if="set?.emergencyNumber">
      {{ t('calls.emergency') }}
      <a :href="`tel:${set.emergencyNumber.replaceAll(' ', '')}`">{{ set.emergencyNumber }}</a>
    </p>
  </div>
</template>

<style scoped>
.call {
  display: grid;
  gap: 4px;
}
a {
  display: inline-block;
  min-height: 48px;
  line-height: 48px;
  padding: 0 6px;
  font-weight: 700;
  font-size: 20px;
}
</style>
