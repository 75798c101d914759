<script setup lang="ts">
import AmendEntry from './AmendEntry.vue'
import AmendReading from './AmendReading.vue'
import type { LogRecord } from './log.ts'

/** What puts a record right: a reading on its own form, anything else that was typed on the other. */
defineProps<{ record: LogRecord | null }>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <amend-reading v-if="record?.type === 'reading.taken@1'" :record="record" @close="emit('close')" />
  <amend-entry v-else-if="record" :record="record" @close="emit('close')" />
</template>
