<script setup lang="ts">
import { takeBackMinutes, takenBack } from '@tadka/core/record'
import { type AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { now } from '../wire/clock.ts'
import { useSiteStore } from './site.ts'

/** What one tap did can be taken back for some minutes: both stand in the log. */
const props = defineProps<{
  draft: AnyDraft
  /** What the same act made beside it. */
  also?: readonly AnyDraft[]
  plain?: boolean
}>()
const emit = defineEmits<{ back: [] }>()
const { t } = useI18n()
const site = useSiteStore()
const made = now()
const open = computed(() => now() < made + takeBackMinutes * 60_000)
const done = ref(false)
/** What is not sent yet cannot be amended: it is sent first. */
const all = computed(() => [props.draft, ...(props.also ?? [])])
const sent = computed(() => !site.waiting.some((d) => all.value.some((own) => own.id === d.id)))
function back(): void {
  for (const own of all.value)
    site.record('record.amended@1', own.subject, takenBack(own, t('log.takenBack')))
  done.value = true
  emit('back')
}
</script>

<template>
  <n-button
    v-if="open && !done"
    :size="plain ? 'medium' : 'large'"
    :quaternary="plain ?? false"
    :disabled="!sent"
    :title="sent ? undefined : t('log.takeBackLater')"
    @click="back"
    >{{ t('common.undo') }}</n-button
  >
</template>
