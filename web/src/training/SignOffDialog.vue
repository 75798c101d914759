<script setup lang="ts">
import type { Procedure } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import DialogCard from '../pieces/DialogCard.vue'
import LeadPin from '../people/LeadPin.vue'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { ask } from '../wire/api.ts'
import { useAsking } from '../wire/asking.ts'
import { useStandings } from './standings.ts'

/** A lead says with their own PIN that somebody may do a procedure alone. */
const props = defineProps<{ person: string; procedure: Procedure }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const session = useSession()
const names = useNames()
const { busy, wrong, tryTo } = useAsking()
const { nameOf } = useStandings()
const pin = ref('')
const by = ref(session.acting?.id ?? '')

async function sign(): Promise<void> {
  const sent = { person: by.value, pin: pin.value, learner: props.person, procedures: [props.procedure.id] }
  const done = await tryTo(() => ask('POST', `/api/sites/${session.site}/training/sign-off`, sent))
  pin.value = ''
  if (done) emit('close')
}
</script>

<template>
  <dialog-card
    :show="true"
    :title="t('training.signOffOf', { name: names.person(person) })"
    width="min(680px, 96vw)"
    @update:show="emit('close')"
  >
    <form @submit.prevent="sign">
      <p>{{ t('training.signOffSay', { name: names.person(person), procedure: nameOf(procedure) }) }}</p>
      <lead-pin
        v-model:person="by"
        v-model:pin="pin"
        needs="sign-off"
        :among="session.acting ? [session.acting.id] : []"
        :wrong="wrong"
      />
      <n-button type="primary" size="large" attr-type="submit" :loading="busy" :disabled="pin.length < 4">{{
        t('training.signOff')
      }}</n-button>
    </form>
  </dialog-card>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
</style>
