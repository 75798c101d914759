<script setup lang="ts">
import { NButton } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import './form.css'

/** A form of House: what it is, its fields, what the log would not take, and the two ways out. */
defineProps<{ title: string; rest?: string; save?: string }>()
const emit = defineEmits<{ keep: []; close: [] }>()
const { t } = useI18n()
</script>

<template>
  <form class="house-form" @submit.prevent="emit('keep')">
    <h2>{{ title }}</h2>
    <slot />
    <p class="fault" role="alert">{{ rest }}</p>
    <div class="act">
      <n-button type="primary" attr-type="submit">{{ save ?? t('house.label.keep') }}</n-button>
      <n-button @click="emit('close')">{{ t('common.cancel') }}</n-button>
    </div>
  </form>
</template>
