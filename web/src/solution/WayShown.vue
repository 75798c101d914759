<script setup lang="ts">
import JugDrawing from '../pieces/JugDrawing.vue'
import type { Way } from './measured.ts'

/** One way to measure a mix out: the figure as large as it goes, the jug to its mark, the other ways beside it. */
defineProps<{ ways: readonly Way[]; way: Way; into: string; name: string; height: number }>()
const emit = defineEmits<{ pick: [index: number] }>()
</script>

<template>
  <div class="shown">
    <div class="words">
      <p class="fig">
        {{ way.figure }}<small>{{ way.unit }}</small>
      </p>
      <p class="into">{{ into }} <slot name="water" /></p>
      <p :class="way.bad ? 'bad' : 'why'">{{ way.note }}</p>
      <slot />
      <div v-if="ways.length > 1" class="tools" role="group" :aria-label="name">
        <button
          v-for="(w, i) in ways"
          :key="w.label"
          type="button"
          :aria-pressed="w === way"
          @click="emit('pick', i)"
        >
          {{ w.label }}
        </button>
      </div>
      <slot name="act" />
    </div>
    <jug-drawing v-if="way.jug" v-bind="way.jug" :height="height" />
  </div>
</template>

<style scoped>
.shown {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 20px;
  flex: 1;
}
.words {
  display: flex;
  flex-direction: column;
}
.fig {
  font-size: 112px;
  font-weight: 700;
  line-height: 1;
  letter-spacing: -2px;
}
.fig small {
  font-size: 50px;
  font-weight: 600;
  letter-spacing: 0;
  margin-left: 10px;
}
.into {
  font-size: 24px;
  line-height: 1.3;
  margin-top: 8px;
}
.why {
  color: var(--ink-2);
  margin-top: 10px;
}
.bad {
  color: var(--out);
  font-weight: 650;
  margin-top: 10px;
}
.tools {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
  margin: 12px 0;
}
.tools button {
  min-height: 48px;
  padding: 0 16px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  font-weight: 600;
  cursor: pointer;
}
.tools button[aria-pressed='true'] {
  border-color: var(--sea);
  background: var(--sea-wash);
}
@media (max-width: 760px) {
  .shown {
    display: block;
  }
  .fig {
    font-size: 80px;
  }
}
</style>
