<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import { useSite } from '../site/site.ts'
import { useReruns } from './reruns.ts'

/** The label of one container of kept mix, to print and stick on. */
const props = defineProps<{ rerun: string }>()
const { t } = useI18n()
const site = useSite()
const { labelOf } = useReruns()
const kept = computed(() => site.one('rerun', props.rerun))
const lines = computed(() => {
  const r = kept.value
  return r ? labelOf({ ...r, read: r.read ?? null }) : []
})
const print = () => window.print()
</script>

<template>
  <div>
    <place-bar :title="t('rerun.label')" class="head">
      <router-link to="/shift" class="back">‹ {{ t('place.shift') }}</router-link>
      <n-button v-if="lines.length > 0" type="primary" size="large" @click="print">{{
        t('machine.print')
      }}</n-button>
    </place-bar>
    <ul v-if="lines.length > 0" class="stuck">
      <li v-for="(line, i) in lines" :key="i">{{ line }}</li>
    </ul>
    <p v-else class="none quiet">{{ t('rerun.noLabel') }}</p>
  </div>
</template>

<style scoped>
.back {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
.stuck {
  width: 360px;
  max-width: calc(100% - 2 * var(--gutter));
  margin: 12px var(--gutter);
  padding: 16px 18px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: #fff;
  color: #1c2326;
  font-size: 20px;
}
.stuck li:first-child,
.stuck li:last-child {
  font-weight: 700;
  font-size: 26px;
}
.none {
  padding: 12px var(--gutter);
}
@media print {
  .head {
    display: none;
  }
  .stuck {
    margin: 0;
    border-color: #000;
  }
}
</style>
