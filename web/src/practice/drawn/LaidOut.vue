<script setup lang="ts">
import type { Thing } from '@tadka/core/practice'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'

/** Parts on a towel, each piece drawn: what is not there is not drawn. */
const props = defineProps<{ thing: Thing & { is: 'laid-out' } }>()
const { t } = useI18n()
const shapeOf = (id: string) => {
  if (/ring|gasket|seal/.test(id)) return 'ring'
  if (/blade|scraper|plate|tray|screen|door/.test(id)) return 'flat'
  return /screw|nut|cap|plug|bolt/.test(id) ? 'small' : 'long'
}
const pieces = computed(() =>
  props.thing.parts.flatMap(({ id, name, count }) =>
    count > 0 ? [{ id, name, shape: shapeOf(id), of: Array.from({ length: count }, (_, i) => i) }] : [],
  ),
)
</script>

<template>
  <ul class="towel" :aria-label="t('practice.laidOut')">
    <li v-for="p in pieces" :key="p.id">
      <span class="shapes" aria-hidden="true"><i v-for="i in p.of" :key="i" :class="p.shape" /></span>
      <span class="name">{{ p.name }}</span>
      <span class="visually-hidden">{{ p.of.length }}</span>
    </li>
  </ul>
</template>

<style scoped>
.towel {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 12px;
  padding: 12px;
  background: repeating-linear-gradient(90deg, var(--raised) 0 18px, var(--sea-wash) 18px 20px);
  border: 1px solid var(--line);
}
.shapes {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  min-height: 22px;
  align-items: center;
}
i {
  display: block;
  background: var(--ink);
}
.ring {
  width: 20px;
  height: 20px;
  border: 4px solid var(--ink);
  border-radius: 50%;
  background: none;
}
.flat {
  width: 30px;
  height: 12px;
  border-radius: 2px;
}
.small {
  width: 12px;
  height: 12px;
  border-radius: 3px;
}
.long {
  width: 12px;
  height: 22px;
  border-radius: 6px;
}
.name {
  font-size: 15px;
  line-height: 1.15;
}
</style>
