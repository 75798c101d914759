<script setup lang="ts">
import { incidentRules, isStopped, notYet, type IncidentState } from '@tadka/core/incident'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ReasonForm from '../pieces/ReasonForm.vue'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useTimes } from '../site/times.ts'
import ApprovalForm from './ApprovalForm.vue'
import { useIncidentWords } from './incident-words.ts'
import { useIncidents } from './incidents.ts'
import PastInstant from './PastInstant.vue'

/** Whether it is over, since when the water was good, and who lets work begin again. */
const props = defineProps<{ incident: IncidentState }>()
const { t, te } = useI18n()
const session = useSession()
const names = useNames()
const { clock, day } = useTimes()
const { kindOf } = useIncidentWords()
const { over, record, plan } = useIncidents()

const rule = computed(() => incidentRules[props.incident.kind])
const mayDecide = computed(() => session.mayDo('close-case'))
const isOpen = computed(() => props.incident.status === 'open')
const whenOf = (ms: number) => `${day(ms)} ${clock(ms)}`
const overAt = ref<number | null>(null)
const goodAt = ref<number | null>(null)
const asksGood = ref(props.incident.knownGood === null)
const known = computed(() => props.incident.knownGood)
function good(at: number | null): void {
  record(props.incident.id, 'incident.known-good@1', { at })
  asksGood.value = false
}
function isOver(): void {
  const at = overAt.value
  if (at !== null) over(props.incident, at, kindOf(props.incident.kind))
}
const tells = (stopped: boolean, reason: string) =>
  record(props.incident.id, 'incident.extent@1', { stopped, reason })
/** What the plan lacks, where it is the plan. */
const planLack = computed(() => {
  const found = notYet(props.incident, [], null, plan.value).find((n) =>
    ['no-plan', 'plan-later', 'plan-not-for-this', 'conditions'].includes(n.why),
  )
  const key = { 'no-plan': 'noPlan', 'plan-later': 'planLater', 'plan-not-for-this': 'planNotFor' }
  return found && found.why in key ? t(`incident.approval.${key[found.why as keyof typeof key]}`) : ''
})
</script>

<template>
  <div class="over">
    <section v-if="rule.water">
      <h2 class="label">{{ t('incident.knownGood.ask') }}</h2>
      <template v-if="asksGood && isOpen">
        <p class="quiet small">{{ t('incident.knownGood.how') }}</p>
        <past-instant v-model="goodAt" :label="t('incident.knownGood.ask')" unnamed />
        <div class="row">
          <n-button size="large" :disabled="goodAt === null" @click="good(goodAt)">{{
            t('incident.knownGood.save')
          }}</n-button>
          <n-button size="large" @click="good(null)">{{ t('incident.knownGood.dontKnow') }}</n-button>
        </div>
      </template>
      <template v-else>
        <p>
          {{
            known?.at == null
              ? t('incident.knownGood.unknown')
              : t('incident.knownGood.at', { time: whenOf(known.at) })
          }}
        </p>
        <n-button v-if="isOpen" @click="asksGood = true">{{ t('incident.change') }}</n-button>
      </template>
    </section>
    <section v-if="rule.lasts">
      <h2 class="label">{{ t('incident.over.title') }}</h2>
      <p v-if="incident.over" class="said">
        {{ t('incident.over.was', { time: whenOf(incident.over.at) }) }}
        <span class="quiet small">{{ names.person(incident.over.by) }}</span>
      </p>
      <template v-else-if="isOpen">
        <p>{{ t('incident.over.lasts') }}</p>
        <template v-if="mayDecide">
          <past-instant v-model="overAt" :label="t('incident.over.at')" />
          <p class="quiet small">{{ t('incident.over.means') }}</p>
          <n-button type="primary" class="big" :disabled="overAt === null" @click="isOver">{{
            te(`incident.over.act.${incident.kind}`) ? t(`incident.over.act.${incident.kind}`) : ''
          }}</n-button>
        </template>
        <p v-else class="quiet">{{ t('incident.over.leadOnly') }}</p>
      </template>
    </section>
    <section v-if="rule.stops !== 'never'">
      <h2 class="label">{{ t('incident.extent.title') }}</h2>
      <p v-if="!isStopped(incident)">
        {{ t('incident.extent.no', { reason: incident.extent?.reason ?? '' }) }}
      </p>
      <p v-else>{{ t(rule.stops === 'always' ? 'incident.extent.always' : 'incident.extent.yes') }}</p>
      <template v-if="rule.stops === 'extended' && mayDecide && isOpen">
        <reason-form
          v-if="!incident.approval"
          :key="String(isStopped(incident))"
          :label="t(isStopped(incident) ? 'incident.extent.say' : 'incident.extent.undo')"
          :like="t(isStopped(incident) ? 'incident.extent.like' : 'incident.extent.undoLike')"
          :act="t(isStopped(incident) ? 'incident.extent.say' : 'incident.extent.undo')"
          @said="tells(!isStopped(incident), $event)"
        />
      </template>
    </section>
    <section v-if="isStopped(incident)">
      <h2 class="label">{{ t('incident.approval.title') }}</h2>
      <p v-if="incident.approval" class="said">
        {{
          t(incident.approval.way === 'plan' ? 'incident.approval.planWas' : 'incident.approval.was', {
            who: incident.approval.who,
            time: whenOf(incident.approval.at),
          })
        }}
        <span class="quiet small">{{ names.person(incident.approval.by) }}</span>
      </p>
      <p v-if="planLack" class="lack">{{ planLack }}</p>
      <approval-form v-if="isOpen && mayDecide && incident.over" :incident="incident" />
      <p v-else-if="isOpen && !mayDecide && !incident.approval" class="quiet">
        {{ t('incident.over.leadOnly') }}
      </p>
    </section>
  </div>
</template>

<style scoped>
.over {
  display: grid;
  gap: 20px;
  align-content: start;
}
section {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.said {
  border-left: 5px solid var(--in);
  padding-left: 12px;
  font-weight: 600;
}
.lack {
  border-left: 5px solid var(--out);
  padding-left: 12px;
  font-weight: 600;
}
.big {
  min-height: 64px;
  font-size: 20px;
}
</style>
