<script setup lang="ts">
import { NModal } from 'naive-ui'
import { useI18n } from 'vue-i18n'

const show = defineModel<boolean>('show', { required: true })
const { t } = useI18n()
const rows = ['places', 'mix', 'check', 'find', 'done', 'help', 'sleep'] as const
</script>

<template>
  <n-modal v-model:show="show" preset="card" :title="t('keys.title')" style="width: min(440px, 92vw)">
    <ul class="keys">
      <li v-for="row in rows" :key="row">{{ t(`keys.${row}`) }}</li>
    </ul>
  </n-modal>
</template>

<style scoped>
.keys li {
  padding: 8px 0;
  border-top: 1px solid var(--line-soft);
}
</style>
