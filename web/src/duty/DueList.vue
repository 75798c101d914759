<script setup lang="ts">
import type { DueItem } from '@tadka/core/duty'
import { planKey, waitsForService } from '@tadka/core/plan'
import { showMinutes } from '@tadka/core/quantity'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useProcedures } from '../site/procedures.ts'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import ReasonForm from '../pieces/ReasonForm.vue'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'

/** What is due, most urgent first: minutes left, the rule behind it, and one button that deals with it. */
const props = defineProps<{
  due: readonly DueItem[]
  /** Those that may be put in tonight's plan though they are not aimed at it, by key. */
  putIn?: readonly string[]
}>()
const emit = defineEmits<{ start: [item: DueItem]; goOn: [run: string]; putIn: [key: string] }>()
const { t } = useI18n()
const { clock, day } = useTimes()
const names = useNames()
const site = useSite()
const session = useSession()

const left = (d: DueItem) =>
  d.minutesLeft < 0 ? t('shift.late', { time: showMinutes(-d.minutesLeft) }) : showMinutes(d.minutesLeft)
const { nameOf, latest } = useProcedures()
const what = (d: DueItem) => nameOf(d.procedure)
/** What can be done now or comes; and what went by undone, which never stands before it. */
const ahead = computed(() => props.due.filter((d) => !d.goneBy))
const gone = computed(() => props.due.filter((d) => d.goneBy))
const closing = ref<string | null>(null)
const keyOf = (d: DueItem) => `${d.station} ${d.procedure} ${d.day}`
function close(d: DueItem, reason: string): void {
  site.record(
    'duty.closed@1',
    { kind: 'station', id: d.station },
    { station: d.station, procedure: d.procedure, day: d.day, reason },
  )
  closing.value = null
}
</script>

<template>
  <ul v-if="ahead.length > 0">
    <li v-for="d in ahead" :key="d.station + d.procedure" :class="d.risk">
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
      <p v-if="waitsForService(d, latest)" class="isOut">
        {{ t(d.closed ? 'shift.isClosed' : 'shift.isOut') }}
      </p>
      <template v-if="d.closed" />
      <n-button v-else-if="d.run" block class="do" @click="emit('goOn', d.run)">{{
        t('shift.goOn')
      }}</n-button>
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
  <details v-if="gone.length > 0" class="gone">
    <summary>{{ t('shift.goneBy', { n: gone.length }) }}</summary>
    <p>{{ t('shift.goneByHow') }}</p>
    <ul>
      <li v-for="d in gone" :key="keyOf(d)">
        <b>{{ names.station(d.station) }}: {{ what(d) }}</b>
        <p>{{ day(d.latest) }}, {{ t('shift.by', { time: clock(d.latest) }) }}. {{ d.rule }}</p>
        <n-button block class="do" @click="d.run ? emit('goOn', d.run) : emit('start', d)">{{
          t(d.run ? 'shift.goOn' : 'shift.start')
        }}</n-button>
        <template v-if="session.mayDo('close-case')">
          <reason-form
            v-if="closing === keyOf(d)"
            :label="t('shift.closeDutyWhy')"
            :like="t('shift.closeDutyLike')"
            :act="t('shift.closeDuty')"
            @said="(reason) => close(d, reason)"
          />
          <n-button v-else block class="do put" @click="closing = keyOf(d)">{{
            t('shift.closeDuty')
          }}</n-button>
        </template>
      </li>
    </ul>
  </details>
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
.isOut {
  color: var(--out);
  font-weight: 600;
}
.gone {
  margin-top: 18px;
  border-top: 2px solid var(--ink-3);
}
summary {
  min-height: 48px;
  padding: 12px 0;
  font-weight: 650;
  cursor: pointer;
}
p {
  color: var(--ink-2);
  font-size: 15px;
  margin: 2px 0 10px;
}
</style>
