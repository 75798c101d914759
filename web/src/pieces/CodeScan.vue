<script setup lang="ts">
import { NButton, NModal } from 'naive-ui'
import { nextTick, onScopeDispose, ref, useTemplateRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { codeReader } from './code-reader.ts'

/** A button that opens the camera, and tells the first code that it sees. What is printed beside a code can be typed instead. */
defineProps<{ text: string; /** What to hold in front of the camera. */ how: string }>()
const emit = defineEmits<{ read: [text: string] }>()
const { t } = useI18n()
const open = ref(false)
const wrong = ref('')
const video = useTemplateRef<HTMLVideoElement>('video')
let stream: MediaStream | null = null

function stop(): void {
  stream?.getTracks().forEach((track) => track.stop())
  stream = null
  open.value = false
}
onScopeDispose(stop)

async function begin(): Promise<void> {
  open.value = true
  wrong.value = ''
  try {
    const camera = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' } })
    // Closed again before the camera was there.
    if (!open.value) return void camera.getTracks().forEach((track) => track.stop())
    stream = camera
    await nextTick()
    if (!video.value) return
    video.value.srcObject = camera
    await video.value.play()
    const read = await codeReader()
    while (stream && video.value) {
      const text = await read(video.value)
      if (text && stream) {
        stop()
        emit('read', text)
        return
      }
      await new Promise((next) => requestAnimationFrame(next))
    }
  } catch (error) {
    const isDenied = error instanceof DOMException && error.name === 'NotAllowedError'
    wrong.value = t(isDenied ? 'scan.denied' : 'scan.none')
    stream?.getTracks().forEach((track) => track.stop())
    stream = null
  }
}
</script>

<template>
  <n-button size="large" @click="begin">{{ text }}</n-button>
  <n-modal :show="open" :on-update:show="(show: boolean) => !show && stop()">
    <div class="scan" role="dialog" :aria-label="text">
      <p>{{ how }}</p>
      <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
      <video v-else ref="video" muted playsinline />
      <n-button size="large" @click="stop">{{ t('common.back') }}</n-button>
    </div>
  </n-modal>
</template>

<style scoped>
.scan {
  display: grid;
  gap: 14px;
  justify-items: start;
  width: min(560px, 94vw);
  padding: 20px;
  background: var(--paper);
  border-radius: var(--r);
}
video {
  width: 100%;
  aspect-ratio: 4 / 3;
  background: #000;
  object-fit: cover;
}
.wrong {
  color: var(--out);
  font-weight: 600;
}
</style>
