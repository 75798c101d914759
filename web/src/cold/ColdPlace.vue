<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import PlaceTabs from '../frame/PlaceTabs.vue'
import ColdStores from './ColdStores.vue'
import DeliveryForm from './DeliveryForm.vue'
import OpenedFood from './OpenedFood.vue'

/** Food kept cold: where it stands, what comes, what is open. */
const props = defineProps<{ view?: string }>()
const { t } = useI18n()
const views = ['fridges', 'delivery', 'opened'] as const
const view = computed(() => views.find((v) => v === props.view) ?? 'fridges')
const tabs = computed(() =>
  views.map((v) => ({ to: `/shift/cold/${v}`, text: t(`cold.view.${v}`), on: v === view.value })),
)
</script>

<template>
  <div class="place">
    <place-bar :title="t('cold.title')">
      <place-tabs :label="t('cold.title')" :tabs="tabs" />
      <router-link to="/shift" class="link">‹ {{ t('place.shift') }}</router-link>
    </place-bar>
    <cold-stores v-if="view === 'fridges'" class="view" />
    <delivery-form v-else-if="view === 'delivery'" class="view" />
    <opened-food v-else class="view" />
  </div>
</template>

<style scoped>
.place {
  min-height: 100%;
  display: flex;
  flex-direction: column;
}
.view {
  flex: 1;
  min-height: 0;
}
</style>
