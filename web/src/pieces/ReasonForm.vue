<script setup lang="ts">
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'

/** One act that needs a reason: nothing happens without one, and it stays in the log. */
defineProps<{ label: string; like: string; act: string }>()
const emit = defineEmits<{ said: [reason: string] }>()

const typed = ref('')
const reason = computed(() => typed.value.trim())
const enough = computed(() => reason.value.length > 2)
const say = () => enough.value && emit('said', reason.value)
</script>

<template>
  <form class="reason" @submit.prevent="say">
    <n-input
      v-model:value="typed"
      :placeholder="like"
      :input-props="{ 'aria-label': label }"
      maxlength="500"
    />
    <n-button block attr-type="submit" :disabled="!enough">{{ act }}</n-button>
  </form>
</template>

<style scoped>
.reason {
  display: grid;
  gap: 8px;
  margin-top: 8px;
}
</style>
