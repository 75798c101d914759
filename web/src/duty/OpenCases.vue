<script setup lang="ts">
import type { CaseState } from '@tadka/core/case'
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import ReasonForm from '../pieces/ReasonForm.vue'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'

/** Corrective actions that stand until a recheck is in, or a shift lead closes them with a reason. */
defineProps<{ cases: readonly CaseState[] }>()
const { t } = useI18n()
const { clock } = useTimes()
const names = useNames()
const site = useSite()
const session = useSession()
const router = useRouter()

const closing = ref<string | null>(null)
function look(c: CaseState): void {
  if (c.run) void router.push(`/run/${c.run}`)
  else void router.push({ path: '/bench/check', query: { case: c.id } })
}
function close(c: CaseState, reason: string): void {
  const payload = { case: c.id, station: c.station, reason }
  site.record('case.closed@1', { kind: 'case', id: c.id }, payload)
  closing.value = null
}
</script>

<template>
  <h2 class="label">{{ t('shift.openCase') }}</h2>
  <ul>
    <li v-for="c in cases" :key="c.id">
      <b v-if="c.what === 'forbidden-act'">{{ t('shift.forbiddenAct') }}</b>
      <verdict-mark v-else :verdict="c.verdict ?? 'cannot-tell'" :size="22" />
      <p>{{ c.station ? names.station(c.station) : c.bath }}, {{ clock(c.openedAt) }}</p>
      <n-button block type="primary" @click="look(c)">{{ t('shift.look') }}</n-button>
      <reason-form
        v-if="closing === c.id"
        :label="t('shift.closeReason')"
        :like="t('shift.closeLike')"
        :act="t('shift.closeCase')"
        @said="(reason) => close(c, reason)"
      />
      <n-button v-else-if="session.mayDo('close-case')" block class="more" @click="closing = c.id">{{
        t('shift.closeCase')
      }}</n-button>
    </li>
  </ul>
</template>

<style scoped>
ul {
  margin: 8px 0 20px;
}
li {
  border-top: 3px solid var(--out);
  padding: 12px 0 14px;
}
p {
  color: var(--ink-2);
  font-size: 15px;
  margin: 2px 0 10px;
}
.more {
  margin-top: 8px;
}
</style>
