<script setup lang="ts">
import { NButton, useMessage } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRefusalText } from '../rights/refusal-text.ts'
import { useSession } from '../rights/session.ts'
import { ask } from '../wire/api.ts'
import './form.css'
import TextField from '../pieces/TextField.vue'

/** A PIN for somebody who forgot theirs; they change it when they first use it. */
const props = defineProps<{ person: string; name: string }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const session = useSession()
const message = useMessage()
const refusalText = useRefusalText()
const pin = ref('')
const wrong = ref('')

async function give(): Promise<void> {
  wrong.value = ''
  try {
    await ask('POST', `/api/sites/${session.site}/people/${props.person}/pin`, { pin: pin.value })
    message.success(t('people.pinGiven', { name: props.name }))
    emit('close')
  } catch (error) {
    const isMalformed = error instanceof Error && 'code' in error && error.code === 'body_malformed'
    wrong.value = isMalformed ? t('people.fault.pin') : refusalText(error)
  }
}
</script>

<template>
  <form class="house-form" @submit.prevent="give">
    <div class="fields">
      <text-field v-model="pin" large :name="t('people.newPinFor', { name })" :most="8" :fault="wrong" />
    </div>
    <div class="act">
      <n-button type="primary" size="large" attr-type="submit" :disabled="pin.length < 4">{{
        t('people.givePin')
      }}</n-button>
      <n-button size="large" @click="emit('close')">{{ t('common.cancel') }}</n-button>
    </div>
  </form>
</template>
