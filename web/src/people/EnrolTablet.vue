<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import NumberPad from '../pieces/NumberPad.vue'
import { useSession } from './session.ts'
import { useTold } from './told.ts'

/** Makes this browser a tablet of the site, by a code. Until then it is told no names and takes no PIN. */
const session = useSession()
const { t } = useI18n()
const told = useTold()
const code = ref('')
const name = ref('')
const wrong = ref('')
const busy = ref(false)

async function enrol(): Promise<void> {
  wrong.value = ''
  if (name.value.trim() === '') {
    wrong.value = t('people.enrol.nameIt')
    return
  }
  busy.value = true
  try {
    await session.enrol(code.value, name.value.trim())
  } catch (error) {
    wrong.value = told(error)
    code.value = ''
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <form class="enrol" @submit.prevent="enrol">
    <div class="fields">
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
      <p class="wrong" role="alert">{{ wrong }}</p>
    </div>
    <div class="code">
      <label for="tablet-code">{{ t('people.enrol.code') }}</label>
      <input id="tablet-code" v-model="code" inputmode="none" autocomplete="off" maxlength="9" />
      <number-pad v-model="code" :decimal="false" :longest="8" />
      <n-button
        type="primary"
        size="large"
        attr-type="submit"
        block
        :loading="busy"
        :disabled="code.replace(/\D/g, '').length < 8"
      >
        {{ t('people.enrol.act') }}
      </n-button>
    </div>
  </form>
</template>

<style scoped>
.enrol {
  display: grid;
  grid-template-columns: 1fr 340px;
  gap: 56px;
  flex: 1;
}
.fields,
.code {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.fields {
  max-width: 46ch;
}
.fields .quiet {
  margin-bottom: 14px;
}
label {
  font-weight: 600;
}
#tablet-code {
  border: 0;
  border-bottom: 2px solid var(--ink);
  background: none;
  font-size: 40px;
  letter-spacing: 0.12em;
  height: 56px;
  width: 100%;
}
.wrong {
  color: var(--out);
  font-weight: 600;
  min-height: 1.4em;
}
@media (max-width: 760px) {
  .enrol {
    grid-template-columns: 1fr;
    gap: 20px;
  }
}
</style>
