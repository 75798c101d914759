<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { useRoundWords } from './round-words.ts'
import { useRounds } from './rounds.ts'

/** Rounds that whoever acts is to walk now. */
const { t } = useI18n()
const { when } = useRoundWords()
const { asking, walk } = useRounds()
</script>

<template>
  <section>
    <ul>
      <li v-for="r in asking" :key="r.state.id">
        <span
          ><b>{{ r.round.name }}</b> <span class="small" :class="r.due?.is">{{ when(r.due) }}</span></span
        >
        <button type="button" @click="walk(r)">{{ t(r.open ? 'round.goOn' : 'round.begin') }}</button>
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
