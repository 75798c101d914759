<script setup lang="ts">
import { faultKinds, faultWorks, type FaultKind, type FaultWorks } from '@tadka/core/fault'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import TextField from '../pieces/TextField.vue'
import { useMachines } from '../site/machines.ts'
import PhotoPick from '../site/PhotoPick.vue'
import { useSite } from '../site/site.ts'
import { newId } from '../wire/device.ts'
import WarrantySaid from './WarrantySaid.vue'

/** Something is wrong with a machine: what, and whether it may be worked with. */
const props = defineProps<{ station: string | null; said: string }>()
const emit = defineEmits<{ made: [draft: AnyDraft]; cancel: [] }>()
const { t } = useI18n()
const site = useSite()
const { options } = useMachines()
const station = ref(props.station)
const kind = ref<FaultKind | null>(null)
const works = ref<FaultWorks | null>(null)
const said = ref(props.said)
const photo = ref<string | null>(null)
const enough = computed(
  () => station.value !== null && kind.value !== null && works.value !== null && said.value.trim().length > 2,
)
function keep(): void {
  if (!enough.value || !station.value || !kind.value || !works.value) return
  const seen = { station: station.value, kind: kind.value, works: works.value }
  emit(
    'made',
    site.record(
      'fault.seen@1',
      { kind: 'fault', id: newId() },
      {
        ...seen,
        said: said.value.trim(),
        photo: photo.value,
      },
    ),
  )
}
</script>

<template>
  <form @submit.prevent="keep">
    <h2>{{ t('fault.new') }}</h2>
    <n-select
      v-model:value="station"
      :options="options"
      :virtual-scroll="false"
      size="large"
      :placeholder="t('fault.station')"
      :aria-label="t('fault.station')"
    />
    <warranty-said v-if="station" :key="station" :station="station" />
    <choice-pick
      v-model="kind"
      named
      :label="t('fault.kind.title')"
      :choices="faultKinds.map((k) => ({ value: k, text: t(`fault.kind.${k}`) }))"
    />
    <p v-if="kind === 'electric'" class="caution" role="alert">{{ t('fault.electric') }}</p>
    <text-field v-model="said" large :name="t('fault.said')" :example="t('fault.saidLike')" :most="300" />
    <choice-pick
      v-model="works"
      named
      :label="t('fault.works.title')"
      :choices="faultWorks.map((w) => ({ value: w, text: t(`fault.works.${w}`) }))"
    />
    <p v-if="works === 'no'" class="quiet">{{ t('fault.stops') }}</p>
    <div class="acts">
      <n-button type="primary" size="large" attr-type="submit" :disabled="!enough">{{
        t('fault.keep')
      }}</n-button>
      <photo-pick v-model="photo" :text="t('fault.photo')" :again="t('fault.photoTaken')" />
      <n-button size="large" @click="emit('cancel')">{{ t('common.cancel') }}</n-button>
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
  max-width: 720px;
}
.caution {
  border-left: 5px solid var(--out);
  padding: 4px 14px;
  font-weight: 600;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
</style>
