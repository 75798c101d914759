<script setup lang="ts">
import type { Position, RunState } from '@tadka/core/procedure'
import { NButton, useMessage } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import { canTakePhotos, usePhotos } from '../site/photos.ts'
import { useSite } from '../site/site.ts'

/** Beneath every step: take the last one back, a photo, give the run up. */
const props = defineProps<{ run: RunState; position: Position; before: string | null }>()
const emit = defineEmits<{ back: []; abandon: []; stop: [] }>()
const { t } = useI18n()
const photos = usePhotos()
const message = useMessage()
const { isPractice = false } = useSite()

/** A photo of a strip or a fault, beside the step that it shows. */
async function photo(event: Event): Promise<void> {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0]
  if (!file) return
  const { station, id: run } = props.run
  try {
    await photos.attach(file, { station, run, step: props.position.key })
    message.success(t('bench.saved'))
  } catch {
    message.error(t('run.noPicture'))
  }
  input.value = ''
}
</script>

<template>
  <footer class="rest">
    <n-button v-if="before" quaternary class="back" @click="emit('back')"
      >{{ t('run.takeBack') }}: {{ before }}</n-button
    >
    <label v-if="canTakePhotos() && !isPractice" class="photo">
      {{ t('run.photo') }}
      <input type="file" accept="image/*" capture="environment" class="visually-hidden" @change="photo" />
    </label>
    <n-button quaternary @click="emit('abandon')">{{ t('run.abandon') }}</n-button>
    <n-button v-if="!isPractice" quaternary @click="emit('stop')">{{ t('house.takeOut') }}</n-button>
  </footer>
</template>

<style scoped>
.rest {
  display: flex;
  gap: 8px;
  align-items: center;
  padding-top: 12px;
  flex-wrap: wrap;
  min-width: 0;
}
.back {
  max-width: 100%;
}
.rest .n-button {
  height: auto;
  min-height: 48px;
  max-width: 100%;
  white-space: normal;
  text-align: left;
}
.photo {
  min-height: 48px;
  display: flex;
  align-items: center;
  padding: 0 14px;
  font-weight: 600;
  cursor: pointer;
}
.photo:focus-within {
  outline: 3px solid var(--sea);
  border-radius: var(--r);
}
</style>
