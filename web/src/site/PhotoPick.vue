<script setup lang="ts">
import { useMessage } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import FilePick from '../pieces/FilePick.vue'
import { canTakePhotos, usePhotos } from './photos.ts'

/** Takes a photo and keeps it by the hash of its bytes, which follow by themselves; not there where none can be taken. */
const sha256 = defineModel<string | null>({ required: true })
defineProps<{
  text: string
  /** Once there is one. */
  again: string
}>()
const { t } = useI18n()
const message = useMessage()
const { keep } = usePhotos()
async function picture(file: File): Promise<void> {
  try {
    sha256.value = await keep(file)
  } catch {
    message.error(t('run.noPicture'))
  }
}
</script>

<template>
  <file-pick v-if="canTakePhotos()" accept="image/*" :text="sha256 ? again : text" @pick="picture" />
</template>
