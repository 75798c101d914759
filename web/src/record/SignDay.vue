<script setup lang="ts">
import { dateAfter, dayOf } from '@tadka/core/calendar'
import type { DayLeft } from '@tadka/core/duty'
import type { SiteSet } from '@tadka/core/house'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import { ask } from '../wire/api.ts'
import { useAsking } from '../wire/asking.ts'
import DayLeftList from './DayLeftList.vue'
import PinField from './PinField.vue'
import { now } from '../wire/clock.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import DialogCard from '../pieces/DialogCard.vue'

/** A day signed with the lead's own PIN, entered now: first what of it is not done, late, cut short or open. */
const { t } = useI18n()
const session = useSession()
const names = useNames()
const { clock, date } = useTimes()
const kept = useSite()
/** Who signed the day under way, or the one before it, where somebody did. */
const last = computed(() => {
  const set = kept.set as Partial<SiteSet> | null
  if (!set?.hours) return null
  const today_ = dayOf(set as SiteSet, now())
  const of = (day: string) => kept.one('shift', day)?.signatures.at(-1) ?? null
  return of(today_) ?? of(dateAfter(today_, -1))
})
const { busy, wrong, tryTo } = useAsking()

interface Day {
  readonly day: string
  readonly signed: { readonly at: number; readonly by: string; readonly reason: string } | null
}
const show = ref(false)
const days = ref<Day[]>([])
const today = ref('')
const day = ref('')
const left = ref<DayLeft[] | null>(null)
const pin = ref('')
const reason = ref('')
const site = () => `/api/sites/${session.site}`
const chosen = computed(() => days.value.find((d) => d.day === day.value) ?? null)
/** What asks for a reason; amendments made after a signature are told, not asked for. */
const asks = computed(() => (left.value ?? []).some((l) => l.what !== 'amended'))

async function open(): Promise<void> {
  show.value = true
  await tryTo(async () => {
    const got = await ask<{ today: string; days: Day[] }>('GET', `${site()}/days`)
    const known = got.days.some((d) => d.day === got.today)
    days.value = known ? got.days : [{ day: got.today, signed: null }, ...got.days]
    today.value = got.today
  })
  // The day before comes first where nobody has signed it; else the day under way.
  const before = days.value.find((d) => d.day < today.value)
  await choose(before && before.signed === null ? before.day : today.value)
}
async function choose(of: string): Promise<void> {
  day.value = of
  left.value = null
  await tryTo(async () => {
    left.value = (await ask<{ left: DayLeft[] }>('GET', `${site()}/days/${of}`)).left
  })
}
async function sign(): Promise<void> {
  const sent = { person: session.acting?.id, pin: pin.value, day: day.value, reason: reason.value.trim() }
  const done = await tryTo(() => ask('POST', `${site()}/sign`, sent))
  pin.value = ''
  if (!done) return
  show.value = false
  reason.value = ''
}
</script>

<template>
  <span v-if="last" class="signed">{{
    t('log.daySigned', { day: date(last.day), time: clock(last.at), who: names.person(last.by) })
  }}</span>
  <n-button type="primary" @click="open">{{ t('log.sign') }}</n-button>
  <dialog-card v-model:show="show" :title="t('log.signWhich')" width="min(920px, 96vw)">
    <form class="sign" @submit.prevent="sign">
      <div class="days" role="group" :aria-label="t('log.signWhich')">
        <button
          v-for="d in days.slice(0, 7)"
          :key="d.day"
          type="button"
          :aria-pressed="d.day === day"
          @click="choose(d.day)"
        >
          <b>{{ date(d.day) }}</b>
          <span>{{
            d.signed
              ? t('log.signed', { time: clock(d.signed.at), who: names.person(d.signed.by) })
              : t('log.unsigned')
          }}</span>
        </button>
      </div>
      <section class="left">
        <h2>{{ t('log.signTitle', { day: day ? date(day) : '' }) }}</h2>
        <p v-if="left === null">{{ t('log.looking') }}</p>
        <day-left-list v-else :left="left" />
        <template v-if="asks">
          <label for="sign-reason">{{ t('log.signReason') }}</label>
          <n-input
            v-model:value="reason"
            type="textarea"
            :rows="2"
            :placeholder="t('log.signReasonLike')"
            :input-props="{ id: 'sign-reason' }"
            maxlength="500"
          />
        </template>
        <p v-if="chosen?.signed?.reason" class="quiet">
          {{ t('log.signedOver', { reason: chosen.signed.reason }) }}
        </p>
      </section>
      <section class="pin">
        <p>{{ t('log.signSay') }}</p>
        <pin-field v-model="pin" :wrong="wrong" />
        <n-button
          type="primary"
          size="large"
          attr-type="submit"
          block
          :loading="busy"
          :disabled="pin.length < 4 || left === null || (asks && reason.trim().length < 3)"
          >{{ t('log.sign') }}</n-button
        >
      </section>
    </form>
  </dialog-card>
</template>

<style scoped>
.signed {
  color: var(--in);
  font-weight: 600;
}
.sign {
  display: grid;
  grid-template-columns: 190px minmax(0, 1fr) 250px;
  gap: 24px;
}
.days {
  display: grid;
  gap: 6px;
  align-content: start;
}
.days button {
  min-height: 52px;
  padding: 6px 12px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  text-align: left;
  cursor: pointer;
  display: grid;
}
.days span {
  font-size: 14px;
  color: var(--ink-2);
}
.days button[aria-pressed='true'] {
  border-color: var(--sea);
  background: var(--sea-wash);
}
.left,
.pin {
  display: grid;
  gap: 8px;
  align-content: start;
  min-width: 0;
}
label {
  font-weight: 600;
}
@media (max-width: 860px) {
  .sign {
    grid-template-columns: 1fr;
  }
}
</style>
