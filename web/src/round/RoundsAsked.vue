<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useRounds, type RoundRow } from './rounds.ts'

/** The way to the rounds, and those that whoever acts is to walk now. */
const { t } = useI18n()
const { clock } = useTimes()
const { asking, walk } = useRounds()
const when = ({ due }: RoundRow) =>
  due ? t(`round.due.${due.is}`, { from: clock(due.from), to: clock(due.to) }) : ''
</script>

<template>
  <section>
    <ul>
      <li v-for="r in asking" :key="r.state.id">
        <span
          ><b>{{ r.round.name }}</b> <span class="small" :class="r.due?.is">{{ when(r) }}</span></span
        >
        <button type="button" class="link" @click="walk(r)">
          {{ t(r.open ? 'round.goOn' : 'round.begin') }}
        </button>
      </li>
    </ul>
  </section>
</template>

<style scoped src="../pieces/asked.css" />
<style scoped>
.late {
  color: var(--out);
  font-weight: 600;
}
</style>
