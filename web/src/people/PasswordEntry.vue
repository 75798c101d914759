<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import './entry.css'

/** A manager's login and password: taken on any browser. */
defineProps<{ wrong: string; busy: boolean }>()
const emit = defineEmits<{ enter: [login: string, password: string] }>()
const { t } = useI18n()
const login = ref('')
const password = ref('')
</script>

<template>
  <form class="entry-form by-password" @submit.prevent="emit('enter', login, password)">
    <label for="login">{{ t('people.login') }}</label>
    <n-input
      v-model:value="login"
      size="large"
      :input-props="{ id: 'login', autocomplete: 'username' }"
      placeholder=""
    />
    <label for="password">{{ t('people.password') }}</label>
    <n-input
      v-model:value="password"
      type="password"
      size="large"
      placeholder=""
      :input-props="{ id: 'password', autocomplete: 'current-password' }"
    />
    <p class="entry-wrong" role="alert">{{ wrong }}</p>
    <n-button
      type="primary"
      size="large"
      attr-type="submit"
      block
      :loading="busy"
      :disabled="login === '' || password === ''"
    >
      {{ t('people.enter') }}
    </n-button>
  </form>
</template>

<style scoped>
.by-password {
  width: min(400px, 100%);
  flex: 1;
}
</style>
