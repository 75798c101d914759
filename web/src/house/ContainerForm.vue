<script setup lang="ts">
import { useMessage } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'
import { useUnits } from '../site/units.ts'
import { rightNow } from '../wire/clock.ts'
import type { Product } from '../site/kit.ts'
import { containerFaults, containerOf, emptyContainer } from './container-draft.ts'
import { useDraftForm } from './draft-form.ts'
import HouseForm from './HouseForm.vue'
import TextField from '../pieces/TextField.vue'

/** A container opened today: its dates, for the warnings that age brings. */
const props = defineProps<{ product: Product }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const site = useSite()
const message = useMessage()
const units = useUnits()
const large = computed(() => units.typed('litres'))
const { draft, fault, rest, keep } = useDraftForm({
  start: () => emptyContainer,
  faults: containerFaults,
  made: (d) => containerOf(d, props.product.id, rightNow(), (typed) => large.value.kept(typed)),
  type: 'concentrate.opened@1',
  words: 'house.container.fault',
  fieldOf: { daysOnceOpen: 'days' },
})

function save(): void {
  const made = keep()
  if (!made) return
  site.record('concentrate.opened@1', { kind: 'product', id: props.product.id }, made)
  message.success(t('house.saved'))
  emit('close')
}
</script>

<template>
  <house-form
    :title="t('house.container.title')"
    :save="t('house.container.keep')"
    :rest="rest"
    @keep="save"
    @close="emit('close')"
  >
    <div class="fields">
      <text-field
        v-model="draft.bestBefore"
        type="date"
        :name="t('house.container.bestBefore')"
        :fault="fault('bestBefore')"
      />
      <text-field v-model="draft.lot" :name="t('house.container.lot')" :fault="fault('lot')" />
      <text-field v-model="draft.days" :name="t('house.container.days')" :fault="fault('days')" />
      <text-field
        v-model="draft.holds"
        :name="t('house.container.holds', { unit: large.unit })"
        :fault="fault('holds')"
      />
    </div>
  </house-form>
</template>
