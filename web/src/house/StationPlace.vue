<script setup lang="ts">
import type { StationSet } from '@tadka/core/house'
import { NButton, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import './form.css'
import TextField from '../pieces/TextField.vue'

/** What a station is called and where it stands; and its end here, which leaves its records as they are. */
const props = defineProps<{ id: string; plate: StationSet }>()
const { t } = useI18n()
const site = useSite()
const session = useSession()
const message = useMessage()
const typed = () => ({
  name: props.plate.name,
  place: props.plate.place,
  tag: props.plate.tag,
  model: props.plate.model,
})
const draft = ref(typed())
const tried = ref(false)
const removing = ref(false)
const trimmed = computed(() => ({
  name: draft.value.name.trim(),
  place: draft.value.place.trim(),
  tag: draft.value.tag.trim(),
  model: draft.value.model.trim(),
}))
const isTaken = computed(() =>
  site.all('station').some((s) => s.id !== props.id && s.plate?.name === trimmed.value.name),
)
const fault = computed(() => {
  if (trimmed.value.name === '') return t('house.station.fault.name')
  return isTaken.value ? t('house.station.fault.known') : ''
})
const isBusy = computed(() => !!site.one('station', props.id)?.currentRun)
const subject = computed(() => ({ kind: 'station', id: props.id }) as const)

function keep(): void {
  tried.value = true
  if (fault.value) return
  site.record('station.set@1', subject.value, { ...props.plate, ...trimmed.value })
  message.success(t('house.saved'))
}
function retire(): void {
  site.record('station.set@1', subject.value, { ...props.plate, retired: true })
  message.success(t('house.saved'))
}
</script>

<template>
  <form v-if="session.mayDo('set-up-house')" class="house-form" @submit.prevent="keep">
    <h2 class="label">{{ t('house.station.move') }}</h2>
    <div class="fields">
      <text-field
        v-model="draft.name"
        :name="t('house.station.name')"
        :most="80"
        :fault="tried ? fault : ''"
      />
      <text-field v-model="draft.place" :name="t('house.station.place')" :most="80" />
      <text-field v-model="draft.tag" :name="t('house.station.tag')" :most="12" />
      <text-field v-model="draft.model" :name="t('house.station.model')" :most="80" />
    </div>
    <div class="act">
      <n-button type="primary" attr-type="submit">{{ t('common.save') }}</n-button>
      <n-button v-if="!removing" :disabled="isBusy" @click="removing = true">{{
        t('house.station.retire')
      }}</n-button>
      <p v-if="isBusy" class="quiet">{{ t('house.station.running') }}</p>
    </div>
    <div v-if="removing" class="act">
      <p>{{ t('house.station.retireSure', { name: plate.name }) }}</p>
      <n-button type="error" @click="retire">{{ t('house.station.retireYes') }}</n-button>
      <n-button @click="removing = false">{{ t('house.station.keep') }}</n-button>
    </div>
  </form>
</template>
