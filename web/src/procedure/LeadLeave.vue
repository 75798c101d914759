<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import LeadPin from '../people/LeadPin.vue'
import { useSession } from '../rights/session.ts'
import { ask } from '../wire/api.ts'
import { useAsking } from '../wire/asking.ts'
import DialogCard from '../pieces/DialogCard.vue'

/** A shift lead goes on where the crew may not: with a reason that stays in the log, and their own PIN. */
const props = defineProps<{
  title: string
  say: string
  what: { readonly kind: 'wait' | 'start'; readonly run: string; readonly [key: string]: unknown }
}>()
const emit = defineEmits<{ done: []; close: [] }>()
const { t } = useI18n()
const session = useSession()
const { busy, wrong, tryTo } = useAsking()

const person = ref('')
const pin = ref('')
const reason = ref('')
async function go(): Promise<void> {
  const sent = { person: person.value, pin: pin.value, reason: reason.value.trim(), what: props.what }
  const done = await tryTo(() => ask('POST', `/api/sites/${session.site}/override`, sent))
  pin.value = ''
  if (done) emit('done')
}
</script>

<template>
  <dialog-card :show="true" :title="title" width="min(680px, 96vw)" @update:show="emit('close')">
    <form class="leave" @submit.prevent="go">
      <p>{{ say }}</p>
      <label for="leave-why">{{ t('run.leadReason') }}</label>
      <n-input
        v-model:value="reason"
        :placeholder="t('run.leadReasonLike')"
        maxlength="500"
        :input-props="{ id: 'leave-why' }"
      />
      <lead-pin v-model:person="person" v-model:pin="pin" needs="override" :wrong="wrong" />
      <div class="act">
        <n-button
          type="primary"
          size="large"
          attr-type="submit"
          :loading="busy"
          :disabled="pin.length < 4 || reason.trim().length < 3 || person === ''"
          >{{ t('run.leadConfirm') }}</n-button
        >
        <n-button size="large" @click="emit('close')">{{ t('common.back') }}</n-button>
      </div>
    </form>
  </dialog-card>
</template>

<style scoped>
.leave {
  display: grid;
  gap: 10px;
}
label {
  font-weight: 600;
}
.act {
  display: flex;
  gap: 12px;
}
</style>
