<script setup lang="ts">
import { firstPin, isEasyPin, passwordLeast, pinDigits, type PersonSet } from '@tadka/core/people'
import { staffRoles, type Role } from '@tadka/core/rights'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import './form.css'
import TextField from '../pieces/TextField.vue'

/** Somebody who works here: who they are, and for somebody new the PIN that they are given. */
const props = defineProps<{ person: PersonSet | null; refused: string; busy: boolean }>()
const emit = defineEmits<{
  keep: [set: PersonSet, pin: string, password: string | null, cleans: 'everything' | 'learning']
  close: []
}>()
const { t } = useI18n()
const name = ref(props.person?.name ?? '')
/** Most who come are crew; what they may clean is asked all the same. */
const role = ref<Role | null>(props.person?.role ?? 'crew')
const login = ref(props.person?.login ?? '')
/** A first PIN stands there; they choose their own when they first sign in. */
const pin = ref(firstPin((below) => (crypto.getRandomValues(new Uint32Array(1))[0] ?? 0) % below))
const password = ref('')
const cleans = ref<'everything' | 'learning' | null>(null)
const tried = ref(false)
const isNew = computed(() => props.person === null)
const isManager = computed(() => role.value === 'manager')
const needsPassword = computed(() => isManager.value && props.person?.role !== 'manager')
const choices = computed(() =>
  staffRoles.map((value) => ({ value, text: t(`people.role.${value}`), note: t(`people.may.${value}`) })),
)

const faults = computed(() => ({
  name: name.value.trim() === '',
  role: role.value === null,
  pin:
    isNew.value &&
    (!new RegExp(`^\\d{${pinDigits.least},${pinDigits.most}}$`).test(pin.value) || isEasyPin(pin.value)),
  login: isManager.value && !/^\S{2,40}$/.test(login.value.trim()),
  password: needsPassword.value && password.value.length < passwordLeast,
  cleans: isNew.value && cleans.value === null,
}))
const fault = (field: keyof typeof faults.value) =>
  tried.value && faults.value[field] ? t(`people.fault.${field}`) : ''

function keep(): void {
  tried.value = true
  if (!role.value || Object.values(faults.value).some(Boolean)) return
  const set = {
    name: name.value.trim(),
    role: role.value,
    login: isManager.value ? login.value.trim() : null,
    left: false,
  }
  emit('keep', set, pin.value, needsPassword.value ? password.value : null, cleans.value ?? 'learning')
}
</script>

<template>
  <form class="house-form person" @submit.prevent="keep">
    <h2>{{ person ? t('people.change', { name: person.name }) : t('people.new') }}</h2>
    <p v-if="refused" class="fault" role="alert">{{ refused }}</p>
    <div class="fields">
      <text-field v-model="name" :name="t('people.name')" :most="40" :fault="fault('name')" large />
      <text-field
        v-if="isNew"
        v-model="pin"
        :name="t('people.firstPin')"
        :most="8"
        :fault="fault('pin')"
        large
      />
      <template v-if="isManager">
        <text-field v-model="login" :name="t('people.login')" :most="40" :fault="fault('login')" large />
        <text-field
          v-if="needsPassword"
          v-model="password"
          type="password"
          :name="t('first.password')"
          :fault="fault('password')"
          large
        />
      </template>
    </div>
    <choice-pick v-model="role" named :label="t('people.roleIs')" :choices="choices" />
    <p class="fault">{{ fault('role') }}</p>
    <template v-if="isNew">
      <choice-pick
        v-model="cleans"
        named
        :label="t('people.cleans.title')"
        :choices="[
          { value: 'everything', text: t('people.cleans.everything') },
          { value: 'learning', text: t('people.cleans.learning') },
        ]"
      />
      <p class="fault">{{ fault('cleans') }}</p>
    </template>
    <div class="act">
      <n-button type="primary" size="large" attr-type="submit" :loading="busy">{{
        t(isNew ? 'people.addPerson' : 'common.save')
      }}</n-button>
      <n-button size="large" @click="emit('close')">{{
        t(isNew ? 'people.done' : 'common.cancel')
      }}</n-button>
    </div>
  </form>
</template>
