<script setup lang="ts">
import type { Permission } from '@tadka/core/rights'
import { computed, onMounted } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useQuestions } from './questions.ts'

/** The ways to read the log: a day on a page, every entry, or all of a time to take away. */
const { t } = useI18n()
const session = useSession()
const questions = useQuestions()
onMounted(questions.refresh)
const open = computed(() => questions.list?.questions.length ?? 0)
const all = [
  { to: '/log', key: 'sheet.title' },
  { to: '/log/entries', key: 'sheet.entries' },
  { to: '/log/pack', key: 'sheet.pack' },
  { to: '/log/trends', key: 'trend.title', needs: 'read' },
  { to: '/log/questions', key: 'question.title', needs: 'ask-questions' },
] as const satisfies readonly { to: string; key: string; needs?: Permission }[]
const tabs = computed(() => all.filter((tab) => !('needs' in tab) || session.mayDo(tab.needs)))
</script>

<template>
  <nav class="tabs no-print" :aria-label="t('place.log')">
    <router-link v-for="tab in tabs" :key="tab.to" :to="tab.to" exact-active-class="here">{{
      t(tab.key) + (tab.to === '/log/questions' && open > 0 ? ` (${open})` : '')
    }}</router-link>
  </nav>
</template>

<style scoped src="../pieces/tabs.css" />
