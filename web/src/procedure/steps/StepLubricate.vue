<script setup lang="ts">
import type { Step } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { useI18n } from 'vue-i18n'

/** What gets lubricant and how much, and what must stay dry: both as large as each other. */
defineProps<{ step: Step & { kind: 'lubricate' } }>()
const emit = defineEmits<{ done: [] }>()
const { t } = useI18n()
</script>

<template>
  <div class="lubricate">
    <div class="map">
      <section class="yes">
        <h2>
          <svg width="30" height="30" viewBox="0 0 32 32" aria-hidden="true">
            <path d="M16 3c7 9 9 12 9 17a9 9 0 0 1-18 0c0-5 2-8 9-17z" class="drop" />
          </svg>
          {{ t('run.lubricateYes') }}
        </h2>
        <ul>
          <li v-for="y in step.yes" :key="y.part">
            <b>{{ y.part }}</b> <span class="quiet">{{ t(`run.amount.${y.amount}`) }}</span>
          </li>
        </ul>
      </section>
      <section class="never">
        <h2>
          <svg width="30" height="30" viewBox="0 0 32 32" aria-hidden="true">
            <path d="M16 3c7 9 9 12 9 17a9 9 0 0 1-18 0c0-5 2-8 9-17z" class="dry" />
            <path d="M5 28L27 6" class="stroke" />
          </svg>
          {{ t('run.lubricateNever') }}
        </h2>
        <ul>
          <li v-for="n in step.never" :key="n">
            <b>{{ n }}</b>
          </li>
        </ul>
      </section>
    </div>
    <div class="act">
      <n-button type="primary" class="big" @click="emit('done')">{{ t('run.done') }}</n-button>
    </div>
  </div>
</template>

<style scoped>
.lubricate {
  flex: 1 0 auto;
  display: flex;
  flex-direction: column;
}
.map {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 36px;
  margin-top: 20px;
}
h2 {
  display: flex;
  gap: 10px;
  align-items: center;
  padding-bottom: 10px;
  border-bottom: 3px solid var(--sea);
}
.never h2 {
  border-bottom-color: var(--out);
  color: var(--out);
}
li {
  font-size: 22px;
  padding: 12px 0;
  border-bottom: 1px solid var(--line-soft);
}
.drop {
  fill: var(--sea);
}
.dry {
  fill: none;
  stroke: var(--out);
  stroke-width: 3;
}
.stroke {
  stroke: var(--out);
  stroke-width: 4;
  stroke-linecap: round;
}
.act {
  margin-top: auto;
}
@media (max-width: 760px) {
  .map {
    grid-template-columns: 1fr;
  }
}
</style>
