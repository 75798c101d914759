<script setup lang="ts">
import type { TrapState } from '@tadka/core/pest'
import { useI18n } from 'vue-i18n'

/** The site's areas, each a plan of three by three, with the devices that stand there. */
const props = defineProps<{ areas: readonly string[]; traps: readonly TrapState[]; at: string | null }>()
const emit = defineEmits<{ open: [id: string] }>()
const { t } = useI18n()
const inCell = (area: string, cell: number) =>
  props.traps.filter((x) => x.trap?.area === area && x.trap.cell === cell)
/** Something was in it when it was looked at last, or it did not stand as it must. */
const found = ({ looks }: TrapState) => {
  const last = looks.at(-1)
  return last !== undefined && (last.caught > 0 || !last.sound)
}
const cells = [0, 1, 2, 3, 4, 5, 6, 7, 8]
</script>

<template>
  <div class="map" role="group" :aria-label="t('pest.device.map')">
    <div v-for="area in areas" :key="area" class="area">
      <b>{{ area }}</b>
      <div class="plan">
        <div v-for="c in cells" :key="c" class="cell">
          <button
            v-for="x in inCell(area, c)"
            :key="x.id"
            type="button"
            :class="{ found: found(x) }"
            :aria-pressed="x.id === at"
            :aria-label="`${x.trap?.number}: ${t(`pest.trap.${x.trap?.kind}`)}, ${area}`"
            @click="emit('open', x.id)"
          >
            {{ x.trap?.number }}{{ found(x) ? ' !' : '' }}
          </button>
        </div>
      </div>
    </div>
  </div>
</template>

<style scoped>
.map {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 14px;
}
.area {
  display: grid;
  gap: 6px;
}
.plan {
  display: grid;
  grid-template: repeat(3, minmax(54px, auto)) / repeat(3, 1fr);
  border: 3px solid var(--ink-2);
  border-radius: 4px;
  background: var(--raised);
}
.cell {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  align-items: center;
  justify-content: center;
  padding: 3px;
}
button {
  min-width: 48px;
  min-height: 48px;
  border: 2px solid var(--line);
  border-radius: var(--r);
  background: var(--paper, var(--raised));
  color: var(--ink);
  font: inherit;
  font-weight: 650;
  cursor: pointer;
}
button.found {
  border-color: var(--out);
  color: var(--out);
}
button[aria-pressed='true'] {
  outline: 3px solid var(--sea);
}
</style>
