<script setup lang="ts">
import { dateAt, tradingDayAt } from '@tadka/core/duty'
import type { SiteSet } from '@tadka/core/record'
import { Refusal } from '@tadka/core/refusal'
import { NButton, NInput, NModal } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../look/times.ts'
import { useSession } from '../people/session.ts'
import NumberPad from '../pieces/NumberPad.vue'
import { ask, Unreachable } from '../wire/api.ts'
import { now } from '../wire/clock.ts'
import { useNames } from './names.ts'
import { useSite } from './site.ts'

/** The day signed with the lead's own PIN, entered now, not left on. */
const { t } = useI18n()
const session = useSession()
const site = useSite()
const names = useNames()
const { clock, longDay } = useTimes()

const show = ref(false)
const pin = ref('')
const reason = ref('')
const wrong = ref('')
const busy = ref(false)
const set = computed(() => (site.set && 'hours' in site.set ? (site.set as SiteSet) : null))
const day = computed(() =>
  set.value ? (tradingDayAt(set.value, now())?.date ?? dateAt(now(), set.value.timeZone)) : '',
)
const openCases = computed(() => site.all('case').filter((c) => c.status === 'open').length)
const last = computed(() => site.one('shift', day.value)?.signatures.at(-1) ?? null)

async function sign(): Promise<void> {
  busy.value = true
  wrong.value = ''
  try {
    await ask('POST', `/api/sites/${session.site}/sign`, {
      person: session.acting?.id,
      pin: pin.value,
      day: day.value,
      reason: reason.value,
    })
    show.value = false
  } catch (error) {
    wrong.value =
      error instanceof Refusal
        ? error.message
        : error instanceof Unreachable
          ? t('common.offline')
          : String(error)
  } finally {
    busy.value = false
    pin.value = ''
  }
}
</script>

<template>
  <span v-if="last" class="signed">{{
    t('log.signed', { time: clock(last.at), who: names.person(last.by) })
  }}</span>
  <n-button type="primary" @click="show = true">{{ t('log.sign') }}</n-button>
  <n-modal
    v-model:show="show"
    preset="card"
    :title="t('log.signTitle', { day: longDay(now()) })"
    style="width: min(420px, 94vw)"
  >
    <form class="sign" @submit.prevent="sign">
      <p>{{ t('log.signSay') }}</p>
      <template v-if="openCases > 0">
        <p class="open">{{ t('log.signOpen', { n: openCases }) }}</p>
        <n-input
          v-model:value="reason"
          :input-props="{ 'aria-label': t('log.reason') }"
          :placeholder="t('log.reason')"
        />
      </template>
      <label for="sign-pin">{{ t('people.pin', { name: session.acting?.name ?? '' }) }}</label>
      <input id="sign-pin" v-model="pin" type="password" inputmode="none" autocomplete="off" maxlength="8" />
      <p class="wrong" role="alert">{{ wrong }}</p>
      <number-pad v-model="pin" :decimal="false" :longest="8" />
      <n-button
        type="primary"
        size="large"
        attr-type="submit"
        block
        :loading="busy"
        :disabled="pin.length < 4"
        >{{ t('log.sign') }}</n-button
      >
    </form>
  </n-modal>
</template>

<style scoped>
.sign {
  display: grid;
  gap: 10px;
}
.signed {
  color: var(--in);
  font-weight: 600;
}
.open,
.wrong {
  color: var(--out);
  font-weight: 600;
}
input#sign-pin {
  border: 0;
  border-bottom: 2px solid var(--ink);
  background: none;
  font-size: 34px;
  letter-spacing: 0.3em;
  width: 100%;
}
</style>
