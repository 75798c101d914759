<script setup lang="ts">
import { rejectSigns, type RejectSign } from '@tadka/core/warewash'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'
import type { Dish } from './dish.ts'

/** How ware goes into the machine, and what is sent back when it comes out: counted with one touch, and it feeds the diagnosis. */
const props = defineProps<{ station: string; dish: Dish }>()
const { t } = useI18n()
const site = useSite()

const kinds = ['plates', 'cups', 'glasses', 'cutlery', 'large', 'pots'] as const
const columns = ['ware', 'rack', 'how', 'cycle'] as const
const count = (sign: RejectSign) => props.dish.told.value.rejects[sign] ?? 0
const reject = (sign: RejectSign, pieces: 1 | -1) =>
  site.record(
    'ware.rejected@1',
    { kind: 'dish', id: props.station },
    { station: props.station, sign, pieces },
  )
</script>

<template>
  <div class="ware">
    <section v-if="station">
      <h2 class="label">{{ t('dish.rejects') }}</h2>
      <div class="signs">
        <div v-for="s in rejectSigns" :key="s" class="sign">
          <button
            type="button"
            class="more"
            :aria-label="t('dish.rejectOne', { sign: t(`dish.reject.${s}`) })"
            @click="reject(s, 1)"
          >
            <b>{{ count(s) }}</b> {{ t(`dish.reject.${s}`) }}
          </button>
          <button
            type="button"
            class="less"
            :disabled="count(s) === 0"
            :aria-label="t('dish.rejectBack', { sign: t(`dish.reject.${s}`) })"
            @click="reject(s, -1)"
          >
            − 1
          </button>
        </div>
      </div>
      <p class="quiet">{{ t('dish.rejectsHow') }}</p>
    </section>
    <section>
      <h2 class="label">{{ t('dish.loadTitle') }}</h2>
      <p>{{ t('dish.loadBefore') }}</p>
      <table>
        <thead>
          <tr>
            <th v-for="c in columns" :key="c" scope="col">{{ t(`dish.loadWare.${c}`) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="k in kinds" :key="k">
            <th scope="row">{{ t(`dish.load.${k}.ware`) }}</th>
            <td>{{ t(`dish.load.${k}.rack`) }}</td>
            <td>{{ t(`dish.load.${k}.how`) }}</td>
            <td>{{ t(`dish.load.${k}.cycle`) }}</td>
          </tr>
        </tbody>
      </table>
      <p>{{ t('dish.loadClean') }}</p>
      <p>{{ t('dish.loadOpen') }}</p>
    </section>
  </div>
</template>

<style scoped>
.ware {
  display: grid;
  gap: 24px;
  max-width: 1000px;
}
.signs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 14px;
  margin: 8px 0;
}
.sign {
  display: grid;
  grid-template-columns: 1fr 64px;
}
.sign button {
  min-height: 76px;
  border: 1.5px solid var(--line);
  background: var(--paper);
  color: inherit;
  font-size: 20px;
  cursor: pointer;
}
.more {
  border-radius: var(--r) 0 0 var(--r);
}
.more b {
  font-size: 32px;
  margin-right: 8px;
}
.sign .less {
  border-left: 0;
  border-radius: 0 var(--r) var(--r) 0;
}
.sign .less:disabled {
  color: var(--ink-3);
  cursor: default;
}
table {
  width: 100%;
  border-collapse: collapse;
  margin: 10px 0;
}
th,
td {
  text-align: left;
  padding: 10px 16px 10px 0;
  border-bottom: 1px solid var(--line-soft);
  vertical-align: top;
}
thead th {
  color: var(--ink-2);
  font-size: 15px;
}
</style>
