<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import NumberPad from '../pieces/NumberPad.vue'
import { useSession } from '../rights/session.ts'

/** The own PIN of who acts, on the pad: what a signature is made with. */
const pin = defineModel<string>({ required: true })
defineProps<{ wrong: string }>()
const { t } = useI18n()
const session = useSession()
</script>

<template>
  <div class="pin-field">
    <label for="sign-pin">{{ t('people.pin', { name: session.acting?.name ?? '' }) }}</label>
    <input id="sign-pin" v-model="pin" type="password" inputmode="none" autocomplete="off" maxlength="8" />
    <p class="wrong" role="alert">{{ wrong }}</p>
    <number-pad v-model="pin" :decimal="false" :longest="8" />
  </div>
</template>

<style scoped>
.pin-field {
  display: grid;
  gap: 8px;
  --key: 50px;
}
label {
  font-weight: 600;
}
.wrong {
  color: var(--out);
  font-weight: 600;
}
input {
  border: 0;
  border-bottom: 2px solid var(--ink);
  background: none;
  font-size: 34px;
  letter-spacing: 0.3em;
  width: 100%;
  color: var(--ink);
}
</style>
