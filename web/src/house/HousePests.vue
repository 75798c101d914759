<script setup lang="ts">
import type { PestState } from '@tadka/core/pest'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import PestRow from '../pest/PestRow.vue'
import PestSeenForm from '../pest/PestSeenForm.vue'
import PestTrend from '../pest/PestTrend.vue'
import TrapDevices from '../pest/TrapDevices.vue'
import ChoicePick from '../pieces/ChoicePick.vue'
import { useSite } from '../site/site.ts'
import VisitList from '../visit/VisitList.vue'

/** Pests: what was seen, the devices, the visits, and how it goes by area. */
const { t } = useI18n()
const site = useSite()
const views = ['seen', 'devices', 'visits', 'trend'] as const
const view = ref<(typeof views)[number] | null>('seen')
const open = computed(() =>
  site
    .all('pest')
    .filter((p): p is PestState & { seen: NonNullable<PestState['seen']> } => p.seen !== null && !p.settled)
    .toSorted((a, b) => b.seen.at - a.seen.at),
)
</script>

<template>
  <section>
    <choice-pick
      v-model="view"
      :label="t('pest.title')"
      :choices="views.map((v) => ({ value: v, text: t(`pest.view.${v}`) }))"
    />
    <div v-if="view === 'seen'" class="seen">
      <pest-seen-form />
      <div>
        <p v-if="open.length === 0" class="quiet">{{ t('pest.none') }}</p>
        <ul>
          <pest-row v-for="p in open" :key="p.id" :seen="p" />
        </ul>
      </div>
    </div>
    <trap-devices v-else-if="view === 'devices'" class="part" />
    <visit-list v-else-if="view === 'visits'" class="part" kind="pest" />
    <pest-trend v-else class="part" />
    <p class="quiet small">{{ t('pest.caution') }}</p>
  </section>
</template>

<style scoped>
.seen {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 36px;
  margin: 16px 0;
}
.part {
  margin: 16px 0;
}
@media (max-width: 760px) {
  .seen {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
