<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import FaultList from '../fault/FaultList.vue'
import MonthCosts from '../cost/MonthCosts.vue'
import ChoicePick from '../pieces/ChoicePick.vue'
import { useSession } from '../rights/session.ts'
import VisitList from '../visit/VisitList.vue'

/** Machines that are not well, who comes from outside, and what cleaning and mending cost. */
const { t } = useI18n()
const route = useRoute()
const router = useRouter()
const session = useSession()
const views = computed(() =>
  (['faults', 'visits', 'costs'] as const).filter((v) => v !== 'costs' || session.mayDo('plan-shift')),
)
const view = computed({
  get: () => views.value.find((v) => v === route.query['view']) ?? 'faults',
  set: (to) => void router.replace({ query: to === 'faults' ? {} : { view: to } }),
})
</script>

<template>
  <section>
    <choice-pick
      v-model="view"
      class="no-print"
      :label="t('fault.title')"
      :choices="views.map((v) => ({ value: v, text: t(`fault.view.${v}`) }))"
    />
    <fault-list v-if="view === 'faults'" class="part" />
    <visit-list v-else-if="view === 'visits'" class="part" />
    <month-costs v-else class="part" />
  </section>
</template>

<style scoped>
.part {
  margin: 16px 0;
}
</style>
