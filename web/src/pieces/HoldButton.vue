<script setup lang="ts">
import { useRafFn } from '@vueuse/core'
import { ref } from 'vue'

/** For hazardous gates: held for a second, not tapped. A key held works the same. */
const props = withDefaults(defineProps<{ seconds?: number; disabled?: boolean }>(), {
  seconds: 1.2,
  disabled: false,
})
const emit = defineEmits<{ held: [] }>()

const share = ref(0)
let since = 0
const { pause, resume } = useRafFn(
  ({ timestamp }) => {
    since ||= timestamp
    share.value = Math.min(1, (timestamp - since) / (props.seconds * 1000))
    if (share.value < 1) return
    stop()
    emit('held')
  },
  { immediate: false },
)
function start(): void {
  if (props.disabled || since) return
  resume()
}
function stop(): void {
  pause()
  since = 0
  share.value = 0
}
function key(event: KeyboardEvent): void {
  if (event.key !== ' ' && event.key !== 'Enter') return
  event.preventDefault()
  if (!event.repeat) start()
}
</script>

<template>
  <button
    type="button"
    class="hold"
    :disabled="disabled"
    @pointerdown.prevent="start"
    @pointerup="stop"
    @pointerleave="stop"
    @pointercancel="stop"
    @contextmenu.prevent
    @keydown="key"
    @keyup="stop"
    @blur="stop"
  >
    <span class="fill" :style="{ transform: `scaleX(${share})` }" aria-hidden="true" />
    <span class="said"><slot /></span>
  </button>
</template>

<style scoped>
.hold {
  position: relative;
  overflow: hidden;
  min-height: 88px;
  padding: 0 40px;
  border: 3px solid var(--out);
  border-radius: 8px;
  background: var(--raised);
  color: var(--out);
  font-size: 26px;
  font-weight: 650;
  cursor: pointer;
  touch-action: none;
  user-select: none;
}
.hold:disabled {
  opacity: 0.5;
  cursor: default;
}
.fill {
  position: absolute;
  inset: 0;
  background: var(--out-wash);
  transform-origin: left;
}
.said {
  position: relative;
}
</style>
