<script setup lang="ts">
import { NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import { useKit } from '../house/kit.ts'
import { useNames } from '../record/names.ts'
import SanitizerCheck from './SanitizerCheck.vue'

/** The sanitizer as it reaches the ware: read at the rack of a dish machine that sanitizes by it. */
const props = defineProps<{ station: string }>()
const { t } = useI18n()
const kit = useKit()
const names = useNames()
const router = useRouter()
const products = computed(() => kit.products.value.filter((p) => p.agent && p.uses.some((u) => u.range)))
const chosenId = ref<string | null>(null)
const checked = computed(() => {
  const product = products.value.find((p) => p.id === chosenId.value) ?? products.value[0]
  const use = product?.uses.find((u) => u.range)
  return product && use ? { product, use, bath: null } : null
})
const place = computed(() => ({
  station: props.station,
  run: null,
  step: null,
  bath: null,
  case: null,
  atRack: true as const,
}))
</script>

<template>
  <sanitizer-check
    v-if="checked"
    :key="checked.product.id"
    wide
    :checked="checked"
    :place="place"
    :heading="names.station(station)"
    :under="t('bench.atRack', { name: names.station(station) })"
    @done="router.push(`/dish/machine/${station}`)"
  >
    <template #which>
      <n-select
        :value="checked.product.id"
        :options="products.map((p) => ({ label: p.name, value: p.id }))"
        :aria-label="t('bench.product')"
        @update:value="(v: string) => (chosenId = v)"
      />
    </template>
  </sanitizer-check>
  <p v-else class="empty quiet">{{ t('bench.noSanitizer') }}</p>
</template>

<style scoped>
.empty {
  padding: 40px var(--gutter);
}
</style>
