<script setup lang="ts">
import { shelfPayloads } from '@tadka/contract/shelf'
import { besides, shelfKinds, type ShelfKind, type ShelfSet } from '@tadka/core/shelf'
import { NButton, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import ManyPick from '../pieces/ManyPick.vue'
import TextField from '../pieces/TextField.vue'
import AreaField from '../site/AreaField.vue'
import SlotFields from './SlotFields.vue'
import { useChemicalStore } from './chemical-store.ts'

/** A place where chemicals stand: what it is, what is below it, what else stands on it; of a dispenser, its slots. */
const props = defineProps<{ id: string; shelf: ShelfSet | null; holds: readonly string[] }>()
const emit = defineEmits<{ keep: [shelf: ShelfSet]; cancel: [] }>()
const { t } = useI18n()
const store = useChemicalStore()
const name = ref(props.shelf?.name ?? '')
const area = ref(props.shelf?.area ?? '')
const kind = ref<ShelfKind | null>(props.shelf?.kind ?? null)
const over = ref<string | null>(props.shelf?.over ?? null)
const beside = ref<readonly string[]>(props.shelf?.beside ?? [])
const partitioned = ref<boolean | null>(props.shelf?.partitioned ?? null)
const slots = ref<{ mark: string; product: string | null }[]>(
  props.shelf && props.shelf.slots.length > 0 ? [...props.shelf.slots] : [{ mark: '1', product: null }],
)
const under = computed(() =>
  store.places.value
    .filter((p) => p.id !== props.id && p.shelf.area === area.value.trim())
    .map((p) => ({ value: p.id, label: p.shelf.name })),
)
const made = computed((): ShelfSet | null => {
  const entered = {
    ...{ name: name.value.trim(), area: area.value.trim(), kind: kind.value },
    ...{ over: over.value, beside: beside.value, partitioned: partitioned.value },
    slots: kind.value === 'dispenser' ? slots.value.map((s) => ({ ...s, mark: s.mark.trim() })) : [],
  }
  return shelfPayloads['shelf.set@1'].safeParse(entered).data ?? null
})
const full = computed(() => props.holds.map(store.product).join(', '))
</script>

<template>
  <form @submit.prevent="made && emit('keep', made)">
    <text-field
      v-model="name"
      large
      :name="t('shelf.set.name')"
      :example="t('shelf.set.nameLike')"
      :most="60"
    />
    <area-field v-model="area" :label="t('shelf.set.area')" />
    <choice-pick
      v-model="kind"
      named
      :label="t('shelf.set.kind')"
      :choices="shelfKinds.map((k) => ({ value: k, text: t(`shelf.set.kinds.${k}`) }))"
    />
    <slot-fields v-if="kind === 'dispenser'" v-model="slots" />
    <label v-if="under.length > 0">
      {{ t('shelf.set.over') }}
      <n-select
        v-model:value="over"
        :options="under"
        clearable
        size="large"
        :placeholder="t('shelf.set.overNone')"
        :aria-label="t('shelf.set.over')"
      />
    </label>
    <many-pick
      v-model="beside"
      :label="t('shelf.set.beside')"
      :choices="besides.map((b) => ({ value: b, text: t(`shelf.set.besides.${b}`) }))"
    />
    <choice-pick
      v-model="partitioned"
      named
      :label="t('shelf.set.partitioned')"
      :choices="[
        { value: true, text: t('shelf.set.yes') },
        { value: false, text: t('shelf.set.no') },
      ]"
    />
    <div class="acts">
      <n-button type="primary" size="large" attr-type="submit" :disabled="!made">{{
        t('shelf.set.save')
      }}</n-button>
      <n-button size="large" @click="emit('cancel')">{{ t('common.cancel') }}</n-button>
      <n-button
        v-if="shelf && (kind === 'dispenser' || holds.length === 0)"
        size="large"
        @click="emit('keep', { ...shelf, ended: true })"
        >{{ t('shelf.set.remove') }}</n-button
      >
    </div>
    <p v-if="shelf && kind === 'shelf' && holds.length > 0" class="quiet small">
      {{ t('shelf.set.full', { list: full }) }}
    </p>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
  max-width: 640px;
  padding: 12px 0 20px;
}
label {
  display: grid;
  gap: 6px;
  font-weight: 600;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
</style>
