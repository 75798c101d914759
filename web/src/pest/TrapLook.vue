<script setup lang="ts">
import type { TrapState } from '@tadka/core/pest'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import NumberField from '../pieces/NumberField.vue'
import TextField from '../pieces/TextField.vue'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'

/** Somebody looks at a device: what is in it, and whether it stands as it must. */
const props = defineProps<{ trap: TrapState }>()
const emit = defineEmits<{ done: [draft: AnyDraft] }>()
const { t } = useI18n()
const site = useSite()
const message = useMessage()
const { day } = useTimes()
const isBait = computed(() => props.trap.trap?.kind === 'bait-station')
const caught = ref<number | null>(null)
const eaten = ref<boolean | null>(null)
const sound = ref<boolean | null>(null)
const said = ref('')
const count = computed(() =>
  isBait.value ? (eaten.value === null ? null : Number(eaten.value)) : caught.value,
)
const enough = computed(() => count.value !== null && !Number.isNaN(count.value) && sound.value !== null)
function keep(): void {
  if (!enough.value || count.value === null || sound.value === null) return
  const look = { caught: count.value, sound: sound.value, said: said.value.trim() }
  emit('done', site.record('trap.looked@1', { kind: 'trap', id: props.trap.id }, look))
  message.success(t('house.saved'))
}
const yesNo = computed(() => [
  { value: true, text: t('pest.device.yes') },
  { value: false, text: t('pest.device.no') },
])
const last = computed(() => {
  const look = props.trap.looks.at(-1)
  if (!look) return t('pest.device.never')
  const n = isBait.value ? t(`pest.device.${look.caught > 0 ? 'wasEaten' : 'notEaten'}`) : look.caught
  return t('pest.device.last', { when: day(look.at), n })
})
</script>

<template>
  <form @submit.prevent="keep">
    <h2>{{ `${trap.trap?.number}: ${t(`pest.trap.${trap.trap?.kind}`)}` }}</h2>
    <p class="quiet small">{{ last }}</p>
    <choice-pick v-if="isBait" v-model="eaten" named :label="t('pest.device.eaten')" :choices="yesNo" />
    <label v-else>
      {{ t('pest.device.caught') }}
      <number-field v-model="caught" whole :min="0" :max="9999" :label="t('pest.device.caught')" />
    </label>
    <choice-pick v-model="sound" named :label="t('pest.device.sound')" :choices="yesNo" />
    <text-field v-model="said" large :name="t('pest.device.note')" :most="300" />
    <div class="acts">
      <n-button type="primary" size="large" attr-type="submit" :disabled="!enough">{{
        t('pest.keep')
      }}</n-button>
      <slot />
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
  max-width: 560px;
}
label {
  font-weight: 600;
}
.acts {
  display: flex;
  gap: 12px;
}
</style>
