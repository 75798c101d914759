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
/** What the label says of ware, not of a freezer or of cloths. */
const candidates = computed(() => kit.forUse('utensils').filter(({ use }) => use.range))
const chosenId = ref<string | null>(null)
const checked = computed(() => {
  const found = candidates.value.find((c) => c.product.id === chosenId.value) ?? candidates.value[0]
  return found ? { ...found, bath: null } : null
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
        :options="candidates.map((c) => ({ label: c.product.name, value: c.product.id }))"
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
