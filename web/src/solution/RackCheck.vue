<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import ChoicePick from '../pieces/ChoicePick.vue'
import { useNames } from '../site/names.ts'
import { useChosenProduct } from './chosen-product.ts'
import SanitizerCheck from './SanitizerCheck.vue'

/** The sanitizer as it reaches the ware: read at the rack of a dish machine that sanitizes by it. */
const props = defineProps<{ station: string }>()
const { t } = useI18n()
const names = useNames()
const router = useRouter()
/** What the label says of ware, not of a freezer or of cloths. */
const { candidates, candidate, chosen, options } = useChosenProduct(() => 'utensils', true)
const checked = computed(() => (candidate.value ? { ...candidate.value, bath: null } : null))
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
    <template v-if="candidates.length > 1" #which>
      <choice-pick v-model="chosen" class="which" named :label="t('bench.whichProduct')" :choices="options" />
    </template>
  </sanitizer-check>
  <div v-else-if="candidates.length > 1" class="empty">
    <choice-pick v-model="chosen" named :label="t('bench.whichProduct')" :choices="options" />
  </div>
  <p v-else class="empty quiet">{{ t('bench.noSanitizer') }}</p>
</template>

<style scoped>
.which {
  margin-bottom: 12px;
}
.empty {
  padding: 40px var(--gutter);
}
</style>
