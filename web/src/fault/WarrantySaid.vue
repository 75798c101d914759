<script setup lang="ts">
import { warrantyOn } from '@tadka/core/fault'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import DayField from '../pieces/DayField.vue'
import TextField from '../pieces/TextField.vue'
import { useSession } from '../rights/session.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'

/** Whether a machine is under warranty, whom to call then; and where nobody entered it, who may does. */
const props = defineProps<{ station: string }>()
const { t } = useI18n()
const site = useSite()
const session = useSession()
const { date } = useTimes()
const { today } = useProcedures()
const plate = computed(() => site.one('station', props.station)?.plate ?? null)
const warranty = computed(() => plate.value?.warranty)
const is = computed(() => warrantyOn(warranty.value, today.value))
const said = computed(() => {
  const w = warranty.value
  const told = {
    day: w ? date(w.until) : '',
    company: w?.company ?? '',
    phone: w?.phone ? `, ${w.phone}` : '',
  }
  return t(`fault.warranty.${is.value}`, told)
})
const isOpen = ref(false)
const until = ref('')
const company = ref('')
const phone = ref('')
function begin(): void {
  until.value = warranty.value?.until ?? ''
  company.value = warranty.value?.company ?? ''
  phone.value = warranty.value?.phone ?? ''
  isOpen.value = true
}
const enough = computed(() => until.value !== '' && company.value.trim() !== '')
function keep(has: boolean): void {
  if (!plate.value || (has && !enough.value)) return
  const { warranty: _, ...rest } = plate.value
  const entered = { until: until.value, company: company.value.trim(), phone: phone.value.trim() }
  site.record(
    'station.set@1',
    { kind: 'station', id: props.station },
    { ...rest, ...(has ? { warranty: entered } : {}) },
  )
  isOpen.value = false
}
</script>

<template>
  <div class="warranty" :class="is">
    <p>
      {{ said }}
      <n-button v-if="session.mayDo('set-up-house') && !isOpen" @click="begin">{{
        t(warranty ? 'fault.warranty.change' : 'fault.warranty.enter')
      }}</n-button>
    </p>
    <div v-if="isOpen" class="fields">
      <day-field v-model="until" named optional :label="t('fault.warranty.until')" />
      <text-field v-model="company" large :name="t('fault.warranty.company')" :most="80" />
      <text-field v-model="phone" large :name="t('fault.warranty.phone')" :most="40" />
      <div class="acts">
        <n-button type="primary" :disabled="!enough" @click="keep(true)">{{
          t('fault.warranty.save')
        }}</n-button>
        <n-button v-if="warranty" @click="keep(false)">{{ t('fault.warranty.none') }}</n-button>
        <n-button @click="isOpen = false">{{ t('common.cancel') }}</n-button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.in {
  border-left: 5px solid var(--close);
  padding-left: 12px;
  font-weight: 600;
}
.fields {
  display: grid;
  gap: 10px;
  max-width: 480px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
