<script setup lang="ts">
import { useI18n } from 'vue-i18n'

/** Says on every screen of a practice run what it is: nobody may take it for real. */
const { t } = useI18n()
</script>

<template>
  <p class="sign">{{ t('run.practice') }}</p>
</template>

<style scoped>
.sign {
  padding: 6px 14px;
  border: 2px dashed var(--ink);
  border-radius: var(--r);
  font-weight: 650;
}
</style>
