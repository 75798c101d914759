<script setup lang="ts">
import { illnessBody, type IllnessBody, type IllnessKept } from '@tadka/contract/illness'
import {
  asksDoctor,
  asksFree,
  diagnoses,
  isTold,
  mayWork,
  symptoms,
  type Diagnosis,
} from '@tadka/core/illness'
import { NButton, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import PastInstant from '../incident/PastInstant.vue'
import ChoicePick from '../pieces/ChoicePick.vue'
import ManyPick from '../pieces/ManyPick.vue'
import TextField from '../pieces/TextField.vue'
import { useSession } from '../rights/session.ts'
import { now, rightNow } from '../wire/clock.ts'
import IllnessSays from './IllnessSays.vue'

/** What somebody tells who is ill; what it comes to stands beside it as one taps. */
const props = defineProps<{ kept: IllnessKept | null; busy: boolean }>()
const emit = defineEmits<{ keep: [body: IllnessBody]; close: [] }>()
const { t } = useI18n()
const session = useSession()

const person = ref<string | null>(props.kept?.person ?? null)
const told = ref<readonly string[]>(props.kept?.symptoms ?? [])
const diagnosis = ref<Diagnosis | 'none'>(props.kept?.diagnosis ?? 'none')
const began = ref<number | null>(props.kept?.began ?? rightNow())
const isFree = ref(props.kept?.freeSince !== null && props.kept !== null)
const freeSince = ref<number | null>(props.kept?.freeSince ?? null)
const doctor = ref(props.kept?.doctor ?? false)
const authority = ref(props.kept?.authority ?? false)
const covered = ref(props.kept?.covered ?? false)
const toldAt = ref<number | null>(props.kept?.toldAt ?? null)
const note = ref(props.kept?.note ?? '')

const yesNo = computed(() => [
  { value: false, text: t('illness.no') },
  { value: true, text: t('illness.yes') },
])
const drafted = computed(() => ({
  person: person.value ?? '',
  ...named.value,
  began: began.value ?? -1,
  freeSince: asksFree(named.value) && isFree.value ? freeSince.value : null,
  doctor: asksDoctor(named.value) && doctor.value,
  authority: isTold(named.value) && authority.value,
  covered: hasWound.value && covered.value,
  toldAt: isTold(named.value) ? toldAt.value : null,
  note: note.value.trim(),
}))
const body = computed(() => illnessBody.safeParse(drafted.value))
/** Only what changes what it comes to is asked. */
const named = computed(() => ({
  symptoms: symptoms.filter((s) => told.value.includes(s)),
  diagnosis: diagnosis.value === 'none' ? null : diagnosis.value,
}))
const hasWound = computed(() => told.value.includes('wound'))
const lacksSince = computed(() => asksFree(named.value) && isFree.value && freeSince.value === null)
const ends = computed(() => (lacksSince.value ? null : body.value))
const fault = computed(() => {
  if (body.value.success) return lacksSince.value ? t('illness.sinceFirst') : ''
  const [path] = body.value.error.issues.map((i) => String(i.path[0]))
  return t(`illness.fault.${path === 'freeSince' || path === 'person' ? path : 'symptoms'}`)
})
function keep(): void {
  if (ends.value?.success) emit('keep', ends.value.data)
}
</script>

<template>
  <form class="illness" @submit.prevent="keep">
    <n-select
      v-model:value="person"
      size="large"
      :options="session.everyone.map((p) => ({ value: p.id, label: p.name }))"
      :placeholder="t('illness.who')"
      :aria-label="t('illness.who')"
    />
    <many-pick
      v-model="told"
      :label="t('illness.symptoms')"
      :choices="symptoms.map((value) => ({ value, text: t(`illness.symptom.${value}`) }))"
    />
    <choice-pick
      v-model="diagnosis"
      named
      :label="t('illness.diagnosed')"
      :choices="
        (['none', ...diagnoses] as const).map((value) => ({ value, text: t(`illness.diagnosis.${value}`) }))
      "
    />
    <past-instant v-model="began" :label="t('illness.began')" />
    <template v-if="asksFree(named)">
      <choice-pick v-model="isFree" named :label="t('illness.free')" :choices="yesNo" />
      <past-instant v-if="isFree" v-model="freeSince" :label="t('illness.freeSince')" />
    </template>
    <choice-pick
      v-if="asksDoctor(named)"
      v-model="doctor"
      named
      :label="t('illness.doctor')"
      :choices="yesNo"
    />
    <choice-pick v-if="hasWound" v-model="covered" named :label="t('illness.covered')" :choices="yesNo" />
    <template v-if="isTold(named)">
      <p class="must">{{ t('illness.tellAuthority') }}</p>
      <choice-pick
        :model-value="toldAt !== null"
        named
        :label="t('illness.toldAuthority')"
        :choices="yesNo"
        @update:model-value="(v) => (toldAt = v ? rightNow() : null)"
      />
      <choice-pick v-model="authority" named :label="t('illness.authority')" :choices="yesNo" />
    </template>
    <text-field v-model="note" large :name="t('illness.note')" :most="500" />
    <illness-says v-if="ends?.success && body.success" :says="mayWork(body.data, now())" />
    <p v-else class="quiet">{{ fault }}</p>
    <div class="acts">
      <n-button type="primary" size="large" attr-type="submit" :disabled="!ends?.success || busy">{{
        t('common.save')
      }}</n-button>
      <n-button size="large" @click="emit('close')">{{ t('common.cancel') }}</n-button>
    </div>
  </form>
</template>

<style scoped>
.illness {
  display: grid;
  gap: 16px;
  max-width: 760px;
  padding: 12px 0;
}
.must {
  font-weight: 650;
}
.acts {
  display: flex;
  gap: 12px;
}
</style>
