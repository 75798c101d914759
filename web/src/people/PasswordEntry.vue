<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'

/** A manager's login and password: taken on any browser. */
defineProps<{ wrong: string; busy: boolean }>()
const emit = defineEmits<{ enter: [login: string, password: string] }>()
const { t } = useI18n()
const login = ref('')
const password = ref('')
</script>

<template>
  <form class="by-password" @submit.prevent="emit('enter', login, password)">
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
    <p class="wrong" role="alert">{{ wrong }}</p>
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
  display: flex;
  flex-direction: column;
  gap: 10px;
  width: min(400px, 100%);
  flex: 1;
}
label {
  font-weight: 600;
}
.wrong {
  color: var(--out);
  font-weight: 600;
  min-height: 1.4em;
}
</style>
