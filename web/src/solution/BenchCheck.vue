<script setup lang="ts">
import { NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { useKit } from '../house/kit.ts'
import { useTimes } from '../look/times.ts'
import { useNames } from '../record/names.ts'
import { useSite } from '../record/site.ts'
import SanitizerCheck from './SanitizerCheck.vue'
import { volumeWords } from './words.ts'

/** Check a bath that stands somewhere. */
const { t } = useI18n()
const site = useSite()
const kit = useKit()
const names = useNames()
const { clock } = useTimes()
const route = useRoute()
const router = useRouter()

const recheck = computed(() => {
  const id = route.query['case']
  return typeof id === 'string' ? site.one('case', id) : null
})
const baths = computed(() =>
  site
    .all('bath')
    .filter((b) => kit.products.value.find((p) => p.id === b.product)?.agent)
    .toSorted((a, b) => b.mixedAt - a.mixedAt),
)
const chosenId = ref<string | null>(typeof route.query['bath'] === 'string' ? route.query['bath'] : null)
const bath = computed(
  () => baths.value.find((b) => b.id === (recheck.value?.bath ?? chosenId.value)) ?? baths.value[0] ?? null,
)
const nameOf = (b: (typeof baths.value)[number]) => {
  const station = b.station ? names.station(b.station) : ''
  return station === b.where ? station : [station, b.where].filter(Boolean).join(', ')
}
const checked = computed(() => {
  const product = kit.products.value.find((p) => p.id === bath.value?.product)
  const use = product?.uses.find((u) => u.range)
  return product && use && bath.value ? { product, use, bath: bath.value } : null
})
const place = computed(() => ({
  station: bath.value?.station ?? null,
  run: null,
  step: null,
  bath: bath.value?.id ?? null,
  case: recheck.value?.id ?? null,
}))
const under = computed(() => {
  const b = bath.value
  if (!b) return ''
  return `${b.productName}, ${volumeWords(b.volume, site.set?.units)}, ${t('bench.mixedBy', { time: clock(b.mixedAt), who: names.person(b.mixedBy) })}`
})
</script>

<template>
  <sanitizer-check
    v-if="checked && bath"
    :key="bath.id"
    wide
    :checked="checked"
    :place="place"
    :heading="nameOf(bath)"
    :under="under"
    @done="router.push('/bench/baths')"
  >
    <template #which>
      <n-select
        :value="bath.id"
        :options="baths.map((b) => ({ label: `${nameOf(b)}, ${clock(b.mixedAt)}`, value: b.id }))"
        :aria-label="t('bench.bath')"
        @update:value="(v: string) => (chosenId = v)"
      />
    </template>
  </sanitizer-check>
  <div v-else class="empty">
    <h2>{{ t('bench.noBaths') }}</h2>
    <p class="quiet">{{ t('bench.noBathsHow') }}</p>
  </div>
</template>

<style scoped>
.empty {
  padding: 40px var(--gutter);
}
</style>
