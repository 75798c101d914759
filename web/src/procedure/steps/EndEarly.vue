<script setup lang="ts">
import { showCountdown } from '@tadka/core/quantity'
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'

/** The way out of a wait before its time: asked once more, with what it means. */
defineProps<{
  /** Milliseconds that it still lasts. */
  left: number
  /** Whether it has not happened where it ends early. */
  strict: boolean
  quaternary?: boolean
}>()
const emit = defineEmits<{ over: [] }>()
const { t } = useI18n()
const asking = ref(false)
</script>

<template>
  <template v-if="asking">
    <p class="early">{{ t(strict ? 'run.earlyStrict' : 'run.early', { left: showCountdown(left) }) }}</p>
    <n-button class="alt" @click="emit('over')">{{ t(strict ? 'run.cutShort' : 'run.endEarly') }}</n-button>
    <n-button class="alt" @click="asking = false">{{ t('run.keepWaiting') }}</n-button>
  </template>
  <n-button v-else class="alt" :quaternary="quaternary" @click="asking = true">{{
    t(strict ? 'run.cameOff' : 'run.endEarly')
  }}</n-button>
</template>

<style scoped>
.early {
  font-size: 19px;
  max-width: 24em;
}
</style>
