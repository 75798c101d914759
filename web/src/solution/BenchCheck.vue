<script setup lang="ts">
import { useOfBath } from '@tadka/core/bath'
import { NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { useKit } from '../site/kit.ts'
import { useTimes } from '../site/times.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useUnits } from '../site/units.ts'
import { useBaths } from './baths.ts'
import SanitizerCheck from './SanitizerCheck.vue'

/** Check a bath that stands somewhere. */
const { t } = useI18n()
const site = useSite()
const units = useUnits()
const kit = useKit()
const names = useNames()
const { clock } = useTimes()
const route = useRoute()
const router = useRouter()

const recheck = computed(() => {
  const id = route.query['case']
  return typeof id === 'string' ? site.one('case', id) : null
})
const chosenId = ref<string | null>(typeof route.query['bath'] === 'string' ? route.query['bath'] : null)
const standing = useBaths()
/** What stands now; a recheck goes on with its own bath even where that is gone. */
const baths = computed(() => {
  const asked = recheck.value?.bath ?? chosenId.value
  const old = asked && !standing.value.some((b) => b.id === asked) ? site.one('bath', asked) : null
  return [...standing.value, ...(old ? [old] : [])]
})
const bath = computed(
  // Nothing stands here until it is chosen, but where there is only one.
  () =>
    baths.value.find((b) => b.id === (recheck.value?.bath ?? chosenId.value)) ??
    (baths.value.length === 1 ? (baths.value[0] ?? null) : null),
)
const nameOf = (b: (typeof baths.value)[number]) => {
  const station = b.station ? names.station(b.station) : ''
  return station === b.where ? station : [station, b.where].filter(Boolean).join(', ')
}
const checked = computed(() => {
  const product = kit.products.value.find((p) => p.id === bath.value?.product)
  const use = bath.value && useOfBath(bath.value, product ?? null)
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
  return `${b.productName}, ${units.volume(b.volume)}, ${t('bench.mixedBy', { time: clock(b.mixedAt), who: names.person(b.mixedBy) })}`
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
  <div v-else-if="baths.length > 0" class="empty">
    <h2>{{ t('bench.whichBath') }}</h2>
    <p v-if="bath" class="unknown" role="alert">{{ t('bench.madeUnknown') }}</p>
    <div class="vessels" role="group" :aria-label="t('bench.whichBath')">
      <button v-for="b in baths" :key="b.id" type="button" @click="chosenId = b.id">
        {{ nameOf(b) }}
        <span class="quiet">{{ b.productName }}, {{ t('bench.mixedAt', { time: clock(b.mixedAt) }) }}</span>
      </button>
    </div>
  </div>
  <div v-else class="empty">
    <h2>{{ t('bench.noBaths') }}</h2>
    <p class="quiet">{{ t('bench.noBathsHow') }}</p>
  </div>
</template>

<style scoped src="./vessels.css"></style>

<style scoped>
.unknown {
  color: var(--out);
  font-weight: 650;
}
.empty .vessels {
  padding: 12px 0;
  border: 0;
}
.empty {
  padding: 40px var(--gutter);
}
</style>
