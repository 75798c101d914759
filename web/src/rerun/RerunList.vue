<script setup lang="ts">
import type { RerunState } from '@tadka/core/rerun'
import { useI18n } from 'vue-i18n'
import RerunCard from './RerunCard.vue'

/** Mix that was kept and is not used yet: the one to be used first on top. */
const props = defineProps<{ kept: readonly RerunState[] }>()
const { t } = useI18n()
const sorted = () => props.kept.toSorted((a, b) => ((a.useBy ?? '') < (b.useBy ?? '') ? -1 : 1))
</script>

<template>
  <h2 class="label">{{ t('rerun.title') }}</h2>
  <rerun-card v-for="r in sorted()" :key="r.id" :rerun="r" />
</template>
