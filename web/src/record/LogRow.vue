<script setup lang="ts">
import { amendFault, mayBeAmended } from '@tadka/core/record'
import { correctedAt } from '@tadka/core/stream'
import { type CaseState } from '@tadka/core/case'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import { tellingBand } from '../pieces/band.ts'
import BandRuler from '../pieces/BandRuler.vue'
import VerdictMark from '../pieces/VerdictMark.vue'
import JudgementView from '../solution/JudgementView.vue'
import { editsOf } from './edits.ts'
import type { LogRecord } from './log.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { now } from '../wire/clock.ts'
import { useNames } from '../site/names.ts'
import { useSentence } from './sentence.ts'

/** One record: when, who, what, its verdict; opened, everything that stands in it. */
const props = defineProps<{
  record: LogRecord
  amendment: (LogRecord & { type: 'record.amended@1' }) | null
  caseOpened: CaseState | null
  open: boolean
}>()
const emit = defineEmits<{ toggle: []; amend: [] }>()
const { t } = useI18n()
const { clock, second, isTwelve } = useTimes()
const names = useNames()
const session = useSession()
const { say, act } = useSentence()

const payload = computed(() => props.record.payload as unknown as Record<string, unknown>)
const judged = computed(() =>
  props.record.type === 'reading.taken@1' || props.record.type === 'cycle.judged@1'
    ? props.record.payload.judgement
    : null,
)
/** A rack is told by its machine's probe, everything else by a person. */
const who = computed(() => {
  if (props.record.type === 'cycle.judged@1') return t('log.probe')
  // What a device reports is by itself.
  const { by, device, type } = props.record
  return by === device || type === 'concentrate.drawn@1' ? t('log.device') : names.person(by)
})
/** When it was: a rack has its own time, its record that of its judging. */
const at = computed(() =>
  props.record.type === 'cycle.judged@1' ? props.record.payload.to : correctedAt(props.record),
)
/** What can be put right here: a reading, or what somebody typed. */
const amendable = computed(
  () =>
    mayBeAmended(props.record) &&
    editsOf(props.record).length + Number(props.record.type === 'reading.taken@1') > 0,
)
/** One tap's doing, fresh enough to be taken back by who is signed in; a signed day is told by the server. */
const mayTakeBack = computed(() => {
  const who = session.acting
  return (
    who !== null &&
    amendFault(props.record, null, { by: who.id, role: who.role, at: now(), signed: false }) === null
  )
})
/** A picture in it: what the record is, or what it brings beside its words. */
const photo = computed(() => {
  const named = props.record.type === 'photo.attached@1' ? payload.value['sha256'] : payload.value['photo']
  return typeof named === 'string' ? `/api/sites/${props.record.site}/photos/${named}` : null
})
const band = computed(() => (judged.value ? tellingBand(judged.value) : null))
const where = computed(() =>
  typeof payload.value['station'] === 'string' ? names.station(payload.value['station']) : '',
)
const instruments = computed(() =>
  props.record.type === 'reading.taken@1'
    ? props.record.payload.instruments.map(names.instrument).join(', ')
    : '',
)
</script>

<template>
  <li class="row" :class="{ open, twelve: isTwelve() }">
    <button type="button" class="line" :aria-expanded="open" @click="emit('toggle')">
      <span class="time">{{ clock(at) }}</span>
      <span class="who">{{ who }}</span>
      <span class="what">
        <span :class="{ struck: amendment }">{{ say(record) }}</span>
        <span v-if="amendment" class="amended">{{ t('log.amended') }}: {{ say(amendment) }}</span>
        <span v-if="caseOpened" class="case" :class="caseOpened.status">
          <span v-for="(a, i) in caseOpened.actions" :key="i">
            {{ act(a) }}, {{ clock(a.at) }} {{ names.person(a.by) }}.
          </span>
          {{
            caseOpened.status === 'closed'
              ? t(caseOpened.closedBy ? 'log.case.rechecked' : 'log.case.closed', {
                  time: clock(caseOpened.closedAt ?? 0),
                  reason: caseOpened.reason,
                })
              : t(`log.case.${caseOpened.status}`)
          }}
        </span>
        <span class="narrow quiet small">{{ [who, where].filter(Boolean).join(' · ') }}</span>
        <span v-for="f in record.flags" :key="f" class="flag">{{ t(`log.flags.${f}`) }}</span>
      </span>
      <span class="where quiet small">{{ where }}</span>
      <span class="band">
        <band-ruler v-if="band && band.brackets.length > 0" :model="band" :width="150" small />
      </span>
      <span class="verdict"><verdict-mark v-if="judged" :verdict="judged.overall" :size="20" /></span>
    </button>
    <div v-if="open" class="all">
      <judgement-view v-if="judged" :judgement="judged" compact />
      <img v-if="photo" :src="photo" :alt="say(record)" class="photo" />
      <dl>
        <div v-if="instruments">
          <dt>{{ t('log.instrument') }}</dt>
          <dd>{{ instruments }}</dd>
        </div>
        <div>
          <dt>{{ t('log.observed') }}</dt>
          <dd>{{ second(correctedAt(record)) }}</dd>
        </div>
        <div>
          <dt>{{ t('log.received') }}</dt>
          <dd>{{ second(record.receivedAt) }}</dd>
        </div>
        <div>
          <dt>{{ t('log.record', { seq: record.seq }) }}</dt>
          <dd>{{ record.hash.slice(0, 16) }} ← {{ record.prev.slice(0, 16) }}</dd>
        </div>
      </dl>
      <n-button v-if="amendable && !amendment && session.mayDo('amend')" @click="emit('amend')">{{
        t('log.amend')
      }}</n-button>
      <take-back-now v-if="mayTakeBack && !amendment" :draft="record" />
    </div>
  </li>
</template>

<style scoped>
.row {
  border-bottom: 1px solid var(--line-soft);
}
.line {
  width: 100%;
  min-height: 52px;
  display: grid;
  grid-template-columns: 62px 84px minmax(0, 1fr) 180px 150px 172px;
  gap: 14px;
  align-items: center;
  text-align: left;
  border: 0;
  background: none;
  padding: 5px 0;
  cursor: pointer;
}
.twelve .line {
  grid-template-columns: 84px 84px minmax(0, 1fr) 180px 150px 172px;
}
.twelve .all {
  padding-left: 184px;
}
.time {
  font-weight: 600;
  white-space: nowrap;
}
.who {
  color: var(--ink-2);
}
.struck {
  text-decoration: line-through;
  color: var(--ink-2);
}
.amended {
  display: block;
  font-weight: 600;
}
.case {
  display: block;
  font-size: 15px;
  color: var(--ink-2);
}
.case.open {
  color: var(--out);
  font-weight: 600;
}
.flag {
  display: inline-block;
  margin-left: 10px;
  padding: 0 8px;
  border-left: 4px solid var(--close);
  background: var(--close-wash);
  font-size: 15px;
}
.all {
  padding: 8px 0 18px 162px;
}
dl {
  display: flex;
  gap: 10px 32px;
  flex-wrap: wrap;
  margin: 10px 0 12px;
}
dt {
  font-size: 15px;
  color: var(--ink-2);
}
.narrow {
  display: none;
}
@media (max-width: 900px) {
  .narrow {
    display: block;
  }
  .line,
  .twelve .line {
    grid-template-columns: minmax(56px, max-content) 1fr auto;
  }
  .who,
  .where,
  .band {
    display: none;
  }
  .all,
  .twelve .all {
    padding-left: 0;
  }
}
.photo {
  max-width: min(520px, 100%);
  border-radius: var(--r);
}
</style>
