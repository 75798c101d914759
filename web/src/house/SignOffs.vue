<script setup lang="ts">
import type { CrewSet, SiteSet } from '@tadka/core/house'
import { NButton, NSelect } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import ChoicePick from '../pieces/ChoicePick.vue'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import { useFamilyName } from '../site/family-name.ts'

/** What a person is signed off for, what they learn, and which counters they can serve: the shift is planned by it. */
const props = defineProps<{ person: string }>()
const emit = defineEmits<{ close: [] }>()
const site = useSite()
const { t } = useI18n()
const { families } = useProcedures()
const { one } = useFamilyName()
const session = useSession()
/** Nobody signs themselves off. */
const isOwn = computed(() => session.acting?.id === props.person)

const kept = computed((): CrewSet => {
  const found = site.one('crew', props.person)
  return found && 'signedOff' in found ? found : { signedOff: [], learning: [], serves: [], home: null }
})
const draft = ref({
  signedOff: [] as string[],
  learning: [] as string[],
  serves: [] as string[],
  keys: false,
})
watch(
  () => props.person,
  () => {
    const { signedOff, learning, serves, keys = false } = kept.value
    draft.value = { signedOff: [...signedOff], learning: [...learning], serves: [...serves], keys }
  },
  { immediate: true },
)
const kinds = computed(() => {
  const stations = site.all('station').flatMap((s) => s.plate?.family ?? [])
  return [...new Set([...families(), ...stations])].toSorted().map((f) => ({ label: one(f), value: f }))
})
const counters = computed(() =>
  ((site.set as Partial<SiteSet> | null)?.counters ?? []).map((c) => ({ label: c.name, value: c.id })),
)

function save(): void {
  const { signedOff, learning, serves, keys } = draft.value
  const payload = {
    signedOff,
    learning: learning.filter((f) => !signedOff.includes(f)),
    serves,
    home: kept.value.home,
    ...(keys && { keys }),
  }
  site.record('crew.set@1', { kind: 'crew', id: props.person }, payload)
  emit('close')
}
</script>

<template>
  <form class="offs" @submit.prevent="save">
    <label v-for="list in ['signedOff', 'learning'] as const" :key="list">
      {{ t(`house.offs.${list}`) }}
      <n-select
        v-model:value="draft[list]"
        multiple
        filterable
        :options="kinds"
        size="large"
        :disabled="list === 'signedOff' && isOwn"
      />
      <span v-if="list === 'signedOff' && isOwn" class="quiet small">{{ t('house.offs.notOwn') }}</span>
    </label>
    <label>
      {{ t('house.offs.serves') }}
      <n-select v-model:value="draft.serves" multiple :options="counters" size="large" />
    </label>
    <choice-pick
      v-model="draft.keys"
      :label="t('house.offs.keys')"
      named
      :choices="[
        { value: true, text: t('house.yes') },
        { value: false, text: t('house.no') },
      ]"
    />
    <div class="acts">
      <n-button type="primary" size="large" attr-type="submit">{{ t('common.save') }}</n-button>
      <n-button size="large" @click="emit('close')">{{ t('common.cancel') }}</n-button>
    </div>
  </form>
</template>

<style scoped>
.offs {
  grid-column: 1 / -1;
  display: grid;
  gap: 12px;
  padding: 4px 0 18px;
  max-width: 820px;
}
.acts {
  display: flex;
  gap: 12px;
}
</style>
