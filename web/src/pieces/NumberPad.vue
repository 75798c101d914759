<script setup lang="ts">
import { IconBackspace } from '@tabler/icons-vue'
import { useI18n } from 'vue-i18n'

/** Large keys for wet hands; a physical keyboard types into the field itself. */
const model = defineModel<string>({ required: true })
const props = withDefaults(defineProps<{ decimal?: boolean; longest?: number }>(), {
  decimal: true,
  longest: 7,
})
const emit = defineEmits<{ enter: [] }>()
const { t } = useI18n()

function press(key: string): void {
  if (key === '.' && (model.value.includes('.') || !props.decimal)) return
  if (model.value.length >= props.longest) return
  model.value += key === '.' && model.value === '' ? '0.' : key
}
const erase = () => (model.value = model.value.slice(0, -1))

defineExpose({ press, erase, enter: () => emit('enter') })
</script>

<template>
  <div class="pad" data-quick-keys role="group" :aria-label="t('pad.name')">
    <button
      v-for="n in ['7', '8', '9', '4', '5', '6', '1', '2', '3']"
      :key="n"
      type="button"
      @click="press(n)"
    >
      {{ n }}
    </button>
    <button v-if="decimal" type="button" :aria-label="t('pad.point')" @click="press('.')">.</button>
    <span v-else />
    <button type="button" @click="press('0')">0</button>
    <button type="button" :aria-label="t('pad.erase')" @click="erase">
      <IconBackspace :size="28" aria-hidden="true" />
    </button>
  </div>
</template>

<style scoped>
.pad {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 8px;
}
button {
  min-height: var(--key, 58px);
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  font-size: 24px;
  font-weight: 600;
  display: grid;
  place-items: center;
  cursor: pointer;
  touch-action: manipulation;
  user-select: none;
}
button:active {
  background: var(--sea-wash);
  border-color: var(--sea);
}
</style>
