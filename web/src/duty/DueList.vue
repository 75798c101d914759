<script setup lang="ts">
import type { DueItem } from '@tadka/core/duty'
import { planKey } from '@tadka/core/plan'
import { showMinutes } from '@tadka/core/quantity'
import { NButton } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import { useProcedures } from '../procedure/procedures.ts'
import { useTimes } from '../look/times.ts'
import { useNames } from '../record/names.ts'

/** What is due, most urgent first: minutes left, the rule behind it, and one button that deals with it. */
defineProps<{
  due: readonly DueItem[]
  /** Those that may be put in tonight's plan though they are not aimed at it, by key. */
  putIn?: readonly string[]
}>()
const emit = defineEmits<{ start: [item: DueItem]; goOn: [run: string]; putIn: [key: string] }>()
const { t } = useI18n()
const { clock, day } = useTimes()
const names = useNames()

const left = (d: DueItem) =>
  d.minutesLeft < 0 ? t('shift.late', { time: showMinutes(-d.minutesLeft) }) : showMinutes(d.minutesLeft)
const { nameOf } = useProcedures()
const what = (d: DueItem) => nameOf(d.procedure)
</script>

<template>
  <ul v-if="due.length > 0">
    <li v-for="d in due" :key="d.station + d.procedure" :class="d.risk">
      <div class="first">
        <b>{{ names.station(d.station) }}: {{ what(d) }}</b>
        <span class="left">{{ left(d) }}</span>
      </div>
      <p>
        {{
          d.risk === 'ahead'
            ? t('shift.from', { time: clock(d.earliest) })
            : t('shift.target', { time: clock(d.target) })
        }}, {{ t('shift.by', { time: clock(d.latest) }) }}. {{ d.rule }}
        {{
          d.lastDoneAt === null
            ? t('shift.neverDone')
            : t('shift.lastDone', {
                when: `${day(d.lastDoneAt)} ${clock(d.lastDoneAt)}`,
                who: names.person(d.lastDoneBy ?? ''),
              })
        }}
      </p>
      <n-button v-if="d.run" block class="do" @click="emit('goOn', d.run)">{{ t('shift.goOn') }}</n-button>
      <n-button
        v-else
        block
        class="do"
        :type="d.risk === 'ahead' ? 'default' : 'primary'"
        :ghost="d.risk === 'now'"
        @click="emit('start', d)"
      >
        {{ t('shift.start') }}
      </n-button>
      <n-button v-if="putIn?.includes(planKey(d))" block class="do put" @click="emit('putIn', planKey(d))">
        {{ t('plan.putIn') }}
      </n-button>
    </li>
  </ul>
  <div v-else class="empty">
    <p>{{ t('shift.nothing') }}</p>
    <p class="quiet small">{{ t('shift.nothingHow') }}</p>
  </div>
</template>

<style scoped>
li {
  padding: 12px 0 16px;
  border-top: 1px solid var(--line);
}
.late {
  border-top: 3px solid var(--out);
}
.past-target {
  border-top: 3px solid var(--close);
}
.now {
  border-top: 3px solid var(--sea);
}
.first {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 10px;
}
.left {
  font-size: 22px;
  font-weight: 650;
  white-space: nowrap;
}
.late .left {
  color: var(--out);
}
.put {
  margin-top: 8px;
}
p {
  color: var(--ink-2);
  font-size: 15px;
  margin: 2px 0 10px;
}
</style>
