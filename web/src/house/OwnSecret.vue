<script setup lang="ts">
import { NButton, useMessage } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRefusalText } from '../rights/refusal-text.ts'
import { useSession } from '../rights/session.ts'
import ChoicePick from '../pieces/ChoicePick.vue'
import { ask } from '../wire/api.ts'
import './form.css'
import TextField from '../pieces/TextField.vue'

/** One's own PIN or password, changed by the one that one has. */
const props = defineProps<{ hasPassword: boolean }>()
const emit = defineEmits<{ close: [] }>()
const { t } = useI18n()
const session = useSession()
const message = useMessage()
const refusalText = useRefusalText()
const what = ref<'pin' | 'password'>('pin')
const by = ref<'pin' | 'password'>('pin')
const now = ref('')
const next = ref('')
const wrong = ref('')
const busy = ref(false)

async function change(): Promise<void> {
  busy.value = true
  wrong.value = ''
  try {
    const proof = what.value === 'password' ? 'password' : by.value
    const body = { what: what.value, by: proof, now: now.value, next: next.value }
    await ask('POST', `/api/sites/${session.site}/own-secret`, body)
    message.success(t(`people.own.changed.${what.value}`))
    emit('close')
  } catch (error) {
    const isMalformed = error instanceof Error && 'code' in error && error.code === 'body_malformed'
    wrong.value = isMalformed ? t(`people.fault.${what.value}`) : refusalText(error)
  } finally {
    busy.value = false
  }
}
const choices = (key: 'what' | 'by') =>
  (['pin', 'password'] as const).map((value) => ({ value, text: t(`people.own.${key}.${value}`) }))
</script>

<template>
  <form class="house-form" @submit.prevent="change">
    <choice-pick
      v-if="props.hasPassword"
      v-model="what"
      :label="t('people.own.title')"
      :choices="choices('what')"
    />
    <choice-pick
      v-if="props.hasPassword && what === 'pin'"
      v-model="by"
      named
      :label="t('people.own.proof')"
      :choices="choices('by')"
    />
    <div class="fields">
      <text-field
        v-model="now"
        type="password"
        large
        :name="t(`people.own.now.${what === 'password' ? 'password' : by}`)"
      />
      <text-field v-model="next" type="password" large :name="t(`people.own.next.${what}`)" :fault="wrong" />
    </div>
    <div class="act">
      <n-button
        type="primary"
        size="large"
        attr-type="submit"
        :loading="busy"
        :disabled="now === '' || next === ''"
        >{{ t('common.save') }}</n-button
      >
      <n-button size="large" @click="emit('close')">{{ t('common.cancel') }}</n-button>
    </div>
  </form>
</template>
