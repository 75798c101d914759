<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import QrCode from '../pieces/QrCode.vue'
import { useTimes } from './times.ts'

/** A link that was just made: shown once, as a code and as text. */
const props = defineProps<{ made: { readonly path: string; readonly endsAt: number }; title: string }>()
const emit = defineEmits<{ done: [] }>()
const { t } = useI18n()
const { clock, day } = useTimes()
const address = computed(() => window.location.origin + props.made.path)
const until = computed(() => `${day(props.made.endsAt)} ${clock(props.made.endsAt)}`)
</script>

<template>
  <div class="made" role="status">
    <qr-code :text="address" :label="t('inspect.code')" :size="220" />
    <div>
      <p>
        <b>{{ title }}</b>
      </p>
      <p>{{ t('inspect.madeHow', { time: until }) }}</p>
      <code>{{ address }}</code>
      <p class="quiet">{{ t('inspect.certificate') }}</p>
      <n-button @click="emit('done')">{{ t('people.done') }}</n-button>
    </div>
  </div>
</template>

<style scoped>
.made {
  display: flex;
  flex-wrap: wrap;
  gap: 24px;
  align-items: start;
}
code {
  overflow-wrap: anywhere;
}
</style>
