<script setup lang="ts">
import { useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute } from 'vue-router'
import { useSite } from '../site/site.ts'
import BenchCheck from './BenchCheck.vue'
import HeatCheck from './HeatCheck.vue'
import RackCheck from './RackCheck.vue'

/** Check: first what, then only the fields that matter to it. A recheck begins at what its case is about. */
const { t } = useI18n()
const site = useSite()
const route = useRoute()
const message = useMessage()

const whats = ['sanitizer', 'dish-machine', 'hot-water', 'wash-water', 'cold-product', 'utensils'] as const
const recheck = computed(() => {
  const id = route.query['case']
  const found = typeof id === 'string' ? site.one('case', id) : null
  return found?.status === 'open' ? found : null
})
/** The dish machine at whose rack it is read, where that is what is checked. */
const rack = computed(() => {
  const id = route.query['rack']
  return typeof id === 'string' && site.one('station', id) ? id : null
})
const asked = computed(() => whats.find((w) => w === route.query['what']) ?? null)
const what = ref<(typeof whats)[number]>(
  whats.find((w) => w === recheck.value?.what) ?? asked.value ?? 'sanitizer',
)
</script>

<template>
  <div class="place">
    <div class="whats tabs" role="group" :aria-label="t('bench.whatName')">
      <button v-for="w in whats" :key="w" type="button" :aria-pressed="what === w" @click="what = w">
        {{ t(`bench.what.${w}`) }}
      </button>
    </div>
    <rack-check v-if="what === 'sanitizer' && rack" class="view" :station="rack" />
    <bench-check v-else-if="what === 'sanitizer'" class="view" />
    <heat-check
      v-else
      :key="what"
      class="view"
      :what="what"
      :recheck-of="recheck?.what === what ? recheck.id : null"
      :recheck-at="recheck?.what === what ? recheck.station : null"
      @kept="message.success(t('bench.saved'))"
    />
  </div>
</template>

<style scoped src="../pieces/tabs.css" />
<style scoped>
.place {
  display: flex;
  flex-direction: column;
}
.whats {
  display: flex;
  flex-wrap: wrap;
  padding: 0 var(--gutter);
  border-bottom: 1px solid var(--line-soft);
}
.view {
  flex: 1;
}
</style>
