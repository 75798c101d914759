<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useTimes } from '../site/times.ts'
import { useNotes } from './notes.ts'

/** What was left for whoever comes: before all else until they have read it, and there until it is settled. */
defineProps<{ plain?: boolean }>()
const { t } = useI18n()
const names = useNames()
const session = useSession()
const { clock, day } = useTimes()
const { found, read, settle } = useNotes()
const has = computed(() => found.value.lines.length + found.value.dries.length > 0)
</script>

<template>
  <section v-if="has" class="notes" :class="{ unread: found.isUnread && !plain }">
    <h2 class="label">{{ t(plain ? 'shift.note.title' : 'shift.note.found') }}</h2>
    <ul>
      <li v-for="n in found.lines" :key="n.id">
        <div>
          <p>
            <b>{{ t(`shift.note.kind.${n.kind}`) }}</b>
            {{ n.station ? `${names.station(n.station)}: ${n.said}` : n.said }}
          </p>
          <p class="quiet small">
            {{ t('shift.note.by', { who: names.person(n.by), when: `${day(n.at)} ${clock(n.at)}` }) }}
          </p>
        </div>
        <n-button v-if="session.mayDo('record')" class="do" @click="settle(n)">{{
          t('shift.note.settled')
        }}</n-button>
      </li>
    </ul>
    <p v-if="found.dries.length > 0" class="dries">
      {{ t('shift.note.dries', { stations: found.dries.map(names.station).join(', ') }) }}
    </p>
    <n-button v-if="found.isUnread && !plain" type="primary" block size="large" @click="read()">{{
      t('shift.note.read')
    }}</n-button>
  </section>
</template>

<style scoped>
.notes {
  display: grid;
  gap: 8px;
  margin-bottom: 16px;
}
.unread {
  border: 3px solid var(--close);
  border-radius: var(--r);
  padding: 10px 14px 14px;
  background: var(--raised);
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid var(--line-soft);
}
.do {
  min-height: 48px;
}
.dries {
  font-weight: 600;
}
</style>
