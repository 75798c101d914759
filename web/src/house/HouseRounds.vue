<script setup lang="ts">
import type { RoundSet, RoundState } from '@tadka/core/round'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { newId } from '../wire/device.ts'
import RoundForm from './RoundForm.vue'

/** The site's rounds, made here: who walks them, when, and what is looked at. */
const { t } = useI18n()
const site = useSite()
const session = useSession()
const message = useMessage()
const may = computed(() => session.mayDo('set-up-house'))
const rounds = computed(() =>
  site
    .all('round')
    .filter((r): r is RoundState & { round: RoundSet } => r.round !== null && !r.round.ended)
    .toSorted((a, b) => a.round.name.localeCompare(b.round.name)),
)
/** The id of the one that is changed; a new one has one already. */
const at = ref<string | null>(null)
const made = ref<AnyDraft | null>(null)
const changed = computed(() => rounds.value.find((r) => r.id === at.value)?.round ?? null)
function keep(round: RoundSet): void {
  if (at.value === null) return
  made.value = site.record('round.set@1', { kind: 'round', id: at.value }, round)
  message.success(t(round.ended ? 'round.set.ended' : 'house.saved'))
  at.value = null
}
const days = (r: RoundSet) =>
  r.days.length === 7
    ? t('round.set.everyDay')
    : r.days.map((d) => t(`house.trading.weekday.${d}`).slice(0, 2)).join(', ')
</script>

<template>
  <section>
    <p v-if="rounds.length === 0" class="quiet">{{ t('round.none') }}</p>
    <ul>
      <li v-for="r in rounds" :key="r.id">
        <b>{{ r.round.name }}</b>
        <span class="quiet">{{ t(`round.set.${r.round.who}`) }}</span>
        <span class="quiet">{{ `${t(`round.set.${r.round.when}`)} · ${days(r.round)}` }}</span>
        <span class="quiet">{{ t('round.points', r.round.points.length) }}</span>
        <n-button v-if="may" @click="at = r.id">{{ t('task.change') }}</n-button>
      </li>
    </ul>
    <take-back-now v-if="made" :key="made.id" :draft="made" @back="made = null" />
    <round-form v-if="may && at" :key="at" :round="changed" @keep="keep" @cancel="at = null" />
    <n-button v-else-if="may" type="primary" size="large" @click="at = newId()">{{
      t('round.set.new')
    }}</n-button>
    <p v-else class="quiet">{{ t('house.mayNot') }}</p>
  </section>
</template>

<style scoped>
ul {
  margin-bottom: 20px;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) 130px 1fr 100px auto;
  gap: 16px;
  align-items: center;
  min-height: 64px;
  border-bottom: 1px solid var(--line-soft);
}
@media (max-width: 760px) {
  li {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 4px 12px;
    padding: 8px 0;
  }
}
</style>
