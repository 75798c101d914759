<script setup lang="ts">
import type { FaultOpen } from '@tadka/core/fault'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import DayField from '../pieces/DayField.vue'
import TextField from '../pieces/TextField.vue'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import WhomToCall from '../site/WhomToCall.vue'
import { newId } from '../wire/device.ts'

/** Somebody was called: what they said, and whether and when they come. */
const props = defineProps<{ fault: FaultOpen }>()
const emit = defineEmits<{ made: [drafts: AnyDraft[]] }>()
const { t } = useI18n()
const site = useSite()
const { today } = useProcedures()
const warranty = computed(() => site.one('station', props.fault.seen.station)?.plate?.warranty)
const isIn = warranty.value !== undefined && warranty.value.until >= today.value
const company = ref(isIn ? (warranty.value?.company ?? '') : '')
const phone = ref(isIn ? (warranty.value?.phone ?? '') : '')
const answer = ref('')
const comes = ref<boolean | null>(null)
const day = ref(today.value)
const enough = computed(() => company.value.trim() !== '' && comes.value !== null)
function keep(): void {
  if (!enough.value) return
  const visit = comes.value ? newId() : null
  const { station, said } = props.fault.seen
  const name = company.value.trim()
  const called = { station, company: name, phone: phone.value.trim(), answer: answer.value.trim(), visit }
  const drafts: AnyDraft[] = [site.draftOf('fault.called@1', { kind: 'fault', id: props.fault.id }, called)]
  if (visit !== null) {
    const comes = {
      ...{ kind: 'technician' as const, company: name, day: day.value, station, note: said.slice(0, 300) },
      fault: props.fault.id,
    }
    drafts.push(site.draftOf('visit.set@1', { kind: 'visit', id: visit }, comes))
  }
  site.commit(...drafts)
  emit('made', drafts)
}
</script>

<template>
  <form class="inner" @submit.prevent="keep">
    <whom-to-call />
    <text-field v-model="company" large :name="t('fault.call.company')" :most="80" />
    <text-field v-model="phone" large :name="t('fault.call.phone')" :most="40" />
    <text-field
      v-model="answer"
      large
      :name="t('fault.call.answer')"
      :example="t('fault.call.answerLike')"
      :most="300"
    />
    <choice-pick
      v-model="comes"
      named
      :label="t('fault.call.comes')"
      :choices="[
        { value: true, text: t('fault.call.yes') },
        { value: false, text: t('fault.call.no') },
      ]"
    />
    <day-field v-if="comes" v-model="day" named :label="t('fault.call.day')" :min="today" />
    <n-button type="primary" size="large" attr-type="submit" :disabled="!enough">{{
      t('fault.call.keep')
    }}</n-button>
  </form>
</template>

<style scoped src="../pieces/inner-form.css" />
