<script setup lang="ts">
import { crosswise, type Step } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'

/** How it is fastened, drawn: the order of screws, the way a thread turns, the side that faces out. */
const props = defineProps<{ step: Step & { kind: 'fasten' } }>()
const emit = defineEmits<{ done: [] }>()
const { t } = useI18n()

const ring = computed(() => {
  const { how, count } = props.step
  if (how !== 'crosswise' && how !== 'evenly') return []
  const order = how === 'crosswise' ? crosswise(count) : Array.from({ length: count }, (_, i) => i)
  return order.map((place, i) => {
    const angle = (place / count) * 2 * Math.PI - Math.PI / 2
    return { n: i + 1, x: 150 + 104 * Math.cos(angle), y: 150 + 104 * Math.sin(angle) }
  })
})
const path = computed(() => ring.value.map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x} ${p.y}`).join(' '))
</script>

<template>
  <div class="fasten">
    <div class="drawn">
      <svg viewBox="0 0 300 300" role="img" :aria-label="t(`run.fasten.${step.how}`, { n: step.count })">
        <template v-if="ring.length > 0">
          <circle cx="150" cy="150" r="138" class="plate" />
          <path :d="path" class="order" />
          <g v-for="p in ring" :key="p.n">
            <circle :cx="p.x" :cy="p.y" r="22" class="screw" />
            <text :x="p.x" :y="p.y + 7" text-anchor="middle">{{ p.n }}</text>
          </g>
        </template>
        <template v-else-if="step.how === 'one-way'">
          <path d="M40 190 h180 l40 -40 h-220 z" class="screw" />
          <path d="M150 130 v-70 m-22 24 22 -26 22 26" class="turn" />
          <text x="150" y="240" text-anchor="middle">{{ t('run.fasten.flat') }}</text>
        </template>
        <template v-else>
          <circle cx="150" cy="150" r="70" class="screw" />
          <path
            :d="
              step.how === 'reverse-thread'
                ? 'M230 90 A100 100 0 1 0 246 178 m-26 -10 26 12 10 -28'
                : 'M70 90 A100 100 0 1 1 54 178 m26 -10 -26 12 -10 -28'
            "
            class="turn"
          />
        </template>
      </svg>
      <div>
        <p class="how">{{ t(`run.fasten.${step.how}`, { n: step.count }) }}</p>
        <p class="quiet">{{ step.what }}</p>
        <p class="why">{{ step.why }}</p>
      </div>
    </div>
    <div class="act">
      <n-button type="primary" class="big" @click="emit('done')">{{ t('run.done') }}</n-button>
    </div>
  </div>
</template>

<style scoped>
.fasten {
  flex: 1 0 auto;
  display: flex;
  flex-direction: column;
}
.drawn {
  display: grid;
  grid-template-columns: 300px 1fr;
  gap: 32px;
  align-items: center;
}
svg {
  width: 300px;
  max-width: 100%;
}
.plate {
  fill: none;
  stroke: var(--line);
  stroke-width: 2;
}
.order {
  fill: none;
  stroke: var(--sea);
  stroke-width: 2;
  stroke-dasharray: 5 6;
}
.screw {
  fill: var(--raised);
  stroke: var(--ink);
  stroke-width: 2.5;
}
.turn {
  fill: none;
  stroke: var(--sea);
  stroke-width: 7;
  stroke-linecap: round;
  stroke-linejoin: round;
}
text {
  font-size: 22px;
  font-weight: 700;
  fill: var(--ink);
}
.how {
  font-size: 28px;
  font-weight: 650;
  line-height: 1.2;
}
.why {
  font-size: 22px;
  margin-top: 10px;
}
.act {
  margin-top: auto;
}
@media (max-width: 760px) {
  .drawn {
    grid-template-columns: 1fr;
  }
}
</style>
