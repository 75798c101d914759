<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import DigitsEntry from '../pieces/DigitsEntry.vue'
import './entry.css'
import { useSession } from '../rights/session.ts'
import { useRefusalText } from '../rights/refusal-text.ts'

/** Makes this browser a tablet of the site, by a code. Until then it is told no names and takes no PIN. */
const session = useSession()
const { t } = useI18n()
const refusalText = useRefusalText()
const code = ref('')
const name = ref('')
const wrong = ref('')
const nameless = ref('')
const busy = ref(false)

async function enrol(): Promise<void> {
  wrong.value = ''
  nameless.value = name.value.trim() === '' ? t('people.enrol.nameIt') : ''
  if (nameless.value) return
  busy.value = true
  try {
    await session.enrol(code.value, name.value.trim())
  } catch (error) {
    wrong.value = refusalText(error)
    code.value = ''
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form class="entry-two" @submit.prevent="enrol">
    <div class="entry-form fields">
      <h2>{{ t('people.enrol.title') }}</h2>
      <p class="quiet">{{ t('people.enrol.how') }}</p>
      <label for="tablet-name">{{ t('people.enrol.name') }}</label>
      <n-input
        v-model:value="name"
        size="large"
        :maxlength="60"
        :placeholder="t('people.enrol.nameExample')"
        :input-props="{ id: 'tablet-name', autocomplete: 'off' }"
      />
      <p class="entry-wrong" role="alert">{{ nameless }}</p>
    </div>
    <div class="entry-form">
      <digits-entry
        id="tablet-code"
        v-model="code"
        :label="t('people.enrol.code')"
        :longest="8"
        :wrong="wrong"
      />
      <n-button
        type="primary"
        size="large"
        attr-type="submit"
        block
        :loading="busy"
        :disabled="!/^\d{8}$/.test(code)"
      >
        {{ t('people.enrol.act') }}
      </n-button>
    </div>
  </form>
</template>

<style scoped>
.fields {
  max-width: 46ch;
}
.quiet {
  margin-bottom: 14px;
}
</style>
