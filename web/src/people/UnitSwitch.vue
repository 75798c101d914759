<script setup lang="ts">
import { NButton, NPopover } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { hasEntry } from '../pieces/entered.ts'
import { useUnitSystem } from '../site/unit-system.ts'

/** A tap to the other units. The page begins anew in them; what was typed and not saved is asked about first. */
const { t } = useI18n()
const { other, turn } = useUnitSystem()
const asking = ref(false)

function tap(): void {
  if (hasEntry.value) asking.value = !asking.value
  else turn()
}
function turnAll(): void {
  asking.value = false
  turn()
}
</script>

<template>
  <n-popover v-model:show="asking" trigger="manual" placement="bottom-end" :show-arrow="false" raw>
    <template #trigger>
      <button type="button" class="units" :aria-label="t(`units.show.${other}`)" @click="tap">
        {{ t(`units.short.${other}`) }}
      </button>
    </template>
    <div class="sure" role="alertdialog" :aria-label="t(`units.show.${other}`)">
      <p>{{ t('units.clears') }}</p>
      <n-button type="primary" @click="turnAll">{{ t(`units.show.${other}`) }}</n-button>
      <n-button @click="asking = false">{{ t('units.stay') }}</n-button>
    </div>
  </n-popover>
</template>

<style scoped>
.units {
  min-width: 48px;
  padding: 0 5px;
  min-height: 48px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: none;
  color: var(--ink-2);
  font-size: 15px;
  font-weight: 600;
  cursor: pointer;
}
.sure {
  display: grid;
  gap: 12px;
  width: min(340px, 92vw);
  padding: 16px;
  background: var(--raised);
  border: 1.5px solid var(--line);
  border-radius: var(--r);
}
</style>
