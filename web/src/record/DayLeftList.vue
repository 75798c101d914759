<script setup lang="ts">
import type { CaseOrigin } from '@tadka/core/case'
import type { DayLeft } from '@tadka/core/duty'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { leftName, leftWords } from '@tadka/words/sheet'
import { useSession } from '../rights/session.ts'
import { useTeller } from '../site/teller.ts'

/** What of a day is not as it should be, by kind, with names. */
const props = defineProps<{
  left: readonly DayLeft[]
  /** All of it at once, not in a frame of its own, each with a way to a corrective action. */ whole?: boolean
}>()
const { t } = useI18n()
const tell = useTeller()
const session = useSession()

const kinds = [
  'not-done',
  'late',
  'not-read',
  'round',
  'task',
  'not-sanitized',
  'unfinished',
  'out-of-service',
  'case',
  'closed',
  'amended',
] as const
const origins: Partial<Record<DayLeft['what'], CaseOrigin>> = {
  'not-done': 'not-done',
  'not-read': 'not-done',
  closed: 'not-done',
  unfinished: 'not-done',
  late: 'late-duty',
  'not-sanitized': 'by-hand',
  'out-of-service': 'stop',
}
/** Where a corrective action about it is opened, with what is known already. */
function actOn(l: DayLeft) {
  const origin = props.whole && session.mayDo('record') ? origins[l.what] : undefined
  if (!origin || !('station' in l)) return null
  const run = 'run' in l ? { run: l.run } : {}
  return {
    path: '/log/case/new',
    query: { origin, station: l.station ?? '', said: leftWords(tell, l), ...run },
  }
}
const named = (l: DayLeft) => leftName(tell, l)
const groups = computed(() =>
  kinds
    .map((kind) => ({ kind, of: props.left.filter((l) => l.what === kind) }))
    .filter((g) => g.of.length > 0),
)
</script>

<template>
  <p v-if="groups.length === 0" class="clean">{{ t('log.left.nothing') }}</p>
  <div v-else class="groups" :class="{ whole }">
    <div v-for="g in groups" :key="g.kind" class="group" :class="g.kind">
      <h3>{{ t(`log.left.${g.kind}`, { n: g.of.length }) }}</h3>
      <ul v-if="g.kind !== 'amended'">
        <li v-for="(l, i) in g.of" :key="i">
          <span>{{ named(l) }}</span>
          <router-link v-if="actOn(l)" :to="actOn(l) ?? ''" class="no-print">{{
            t('log.left.act')
          }}</router-link>
        </li>
      </ul>
    </div>
  </div>
</template>

<style scoped>
.clean {
  padding: 10px 14px;
  border-left: 5px solid var(--in);
  background: var(--in-wash);
}
.groups {
  display: grid;
  gap: 10px;
  max-height: 44vh;
  overflow: auto;
}
.whole {
  max-height: none;
}
.group {
  padding: 6px 12px;
  border-left: 5px solid var(--close);
}
.not-sanitized,
.out-of-service,
.case {
  border-left-color: var(--out);
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: center;
}
a {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
h3 {
  font-size: 17px;
}
</style>
