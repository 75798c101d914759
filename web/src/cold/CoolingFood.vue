<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useFood, useFoodTyped } from './food.ts'
import FoodTemperature from './FoodTemperature.vue'

/** What came warmer than 5 °C by the law here: read again in its time, or thrown out. */
const { t } = useI18n()
const { clock } = useTimes()
const { cooling, limit, record } = useFood()
const typing = useFoodTyped()
const at = ref<string | null>(null)
function read(id: string): void {
  if (!typing.read.value) return
  record(id, 'food.read@1', { read: typing.read.value, on: typing.on.value })
  typing.typed.value = ''
  at.value = null
}
</script>

<template>
  <section v-if="cooling.length > 0">
    <h2>{{ t('cold.cooling') }}</h2>
    <ul>
      <li v-for="{ food, stands } in cooling" :key="food.id">
        <p>
          <b>{{ food.name }}</b>:
          {{
            stands.is === 'cool' ? t('cold.coldBy', { time: clock(stands.by), limit }) : t('cold.notCooled')
          }}
          <template v-if="food.reads.length > 0">{{
            t('cold.notYet', {
              read: `${food.reads.at(-1)?.read.value} ${food.reads.at(-1)?.read.unit}`,
              time: clock(food.reads.at(-1)?.at ?? 0),
            })
          }}</template>
        </p>
        <template v-if="stands.is === 'cool'">
          <form v-if="at === food.id" @submit.prevent="read(food.id)">
            <food-temperature id="cooled" :typing="typing" />
            <n-button size="large" type="primary" attr-type="submit" :disabled="!typing.read.value">{{
              t('bench.keep')
            }}</n-button>
          </form>
          <n-button v-else size="large" @click="at = food.id">{{ t('cold.readIt') }}</n-button>
        </template>
        <n-button
          v-else
          size="large"
          type="primary"
          @click="record(food.id, 'food.gone@1', { how: 'thrown-out' })"
          >{{ t('cold.thrownOut') }}</n-button
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  font-size: 20px;
}
li {
  padding: 10px 0;
  border-bottom: 1px solid var(--line-soft);
}
form {
  display: grid;
  gap: 10px;
  justify-items: start;
}
</style>
