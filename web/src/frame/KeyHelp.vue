<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import DialogCard from '../pieces/DialogCard.vue'

const show = defineModel<boolean>('show', { required: true })
const { t } = useI18n()
const rows = ['places', 'mix', 'check', 'find', 'done', 'help', 'sleep'] as const
</script>

<template>
  <dialog-card v-model:show="show" :title="t('keys.title')" width="min(440px, 92vw)">
    <ul class="keys">
      <li v-for="row in rows" :key="row">{{ t(`keys.${row}`) }}</li>
    </ul>
  </dialog-card>
</template>

<style scoped>
.keys li {
  padding: 8px 0;
  border-top: 1px solid var(--line-soft);
}
</style>
