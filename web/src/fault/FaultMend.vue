<script setup lang="ts">
import { faultPayloads } from '@tadka/contract/fault'
import type { FaultOpen } from '@tadka/core/fault'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import NumberField from '../pieces/NumberField.vue'
import TextField from '../pieces/TextField.vue'
import { useSite } from '../site/site.ts'
import { useSpares } from '../site/spares.ts'
import PartFields from './PartFields.vue'
import type { PartTyped } from './part.ts'

/** It was mended: by whom, what was done, which parts went in, what it cost. It stays out of service until a lead puts it back. */
const props = defineProps<{ fault: FaultOpen }>()
const emit = defineEmits<{ made: [drafts: AnyDraft[]] }>()
const { t } = useI18n()
const site = useSite()
const spares = useSpares()
const who = ref(props.fault.calls.at(-1)?.company ?? '')
const did = ref('')
const parts = ref<PartTyped[]>([])
const labour = ref<number | null>(null)
const warranty = ref<boolean | null>(null)
const isOut = computed(() => !!site.one('station', props.fault.seen.station)?.outOfService)
const mended = computed(() => {
  const entered = {
    ...{ station: props.fault.seen.station, who: who.value.trim(), did: did.value.trim() },
    ...{ labour: labour.value, warranty: warranty.value },
    parts: parts.value.map((p) => ({
      ...{ ...p, price: p.spare === null ? p.price : null },
      name: p.spare === null ? p.name.trim() : (site.one('spare', p.spare)?.name ?? ''),
    })),
  }
  return faultPayloads['fault.mended@1'].safeParse(entered).data ?? null
})
function keep(): void {
  const { station } = props.fault.seen
  if (!mended.value) return
  const drafts = [
    site.draftOf('fault.mended@1', { kind: 'fault', id: props.fault.id }, mended.value),
    // The site's own spares come off the shelf.
    ...mended.value.parts.flatMap((p) => (p.spare ? [spares.drawn(p.spare, station, p.count)] : [])),
  ]
  site.commit(...drafts)
  emit('made', drafts)
}
</script>

<template>
  <form class="inner" @submit.prevent="keep">
    <text-field v-model="who" large :name="t('fault.mend.who')" :most="80" />
    <text-field
      v-model="did"
      large
      :name="t('fault.mend.did')"
      :example="t('fault.mend.didLike')"
      :most="500"
    />
    <part-fields v-model="parts" :station="fault.seen.station" />
    <choice-pick
      v-model="warranty"
      named
      :label="t('fault.mend.warranty')"
      :choices="[
        { value: true, text: t('fault.mend.yes') },
        { value: false, text: t('fault.mend.no') },
      ]"
    />
    <label v-if="warranty === false">
      {{ t('fault.mend.labour') }}
      <number-field v-model="labour" :min="0" :max="999999" :label="t('fault.mend.labour')" />
    </label>
    <p v-if="isOut" class="quiet">{{ t('fault.mend.still') }}</p>
    <n-button type="primary" size="large" attr-type="submit" :disabled="!mended">{{
      t('fault.mend.keep')
    }}</n-button>
  </form>
</template>

<style scoped src="../pieces/inner-form.css" />
