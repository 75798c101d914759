<script setup lang="ts">
import type { StationState } from '@tadka/core/procedure'
import type { Counted } from '@tadka/core/house'
import { NButton, NInput, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { parseField } from '../pieces/field.ts'

/** What makes work fall due besides the clock: what was seen, what was counted, and whether it is in service at all. */
const props = defineProps<{ station: StationState }>()
const { t, te } = useI18n()
const site = useSite()
const session = useSession()
const message = useMessage()
const { day, clock } = useTimes()

const duties = computed(() => props.station.plate?.duties ?? [])
const signs = computed(() => [
  ...new Set(duties.value.flatMap((d) => (d.trigger.kind === 'sign' ? [d.trigger.sign] : []))),
])
const counters = computed<Counted[]>(() => [
  ...new Set(duties.value.flatMap((d) => (d.trigger.kind === 'count' ? [d.trigger.of] : []))),
])
const subject = computed(() => ({ kind: 'station', id: props.station.id }) as const)
const seenAt = (sign: string) => props.station.signs.find((s) => s.sign === sign)
const signName = (sign: string) => (te(`house.sign.${sign}`) ? t(`house.sign.${sign}`) : sign)

const typed = ref<Record<string, string>>({})
const fault = (of: Counted) => {
  const text = typed.value[of] ?? ''
  if (text.trim() === '') return ''
  const { value, fault: code } = parseField(text)
  if (code) return t(`bench.${code}`)
  const before = props.station.counts[of]?.total ?? 0
  return (value ?? 0) < before ? t('house.countLower', { n: before }) : ''
}
function count(of: Counted): void {
  const { value } = parseField(typed.value[of] ?? '')
  if (value === null || fault(of)) return
  site.record('count.read@1', subject.value, { station: props.station.id, of, total: value })
  typed.value = { ...typed.value, [of]: '' }
  message.success(t('bench.saved'))
}
const see = (sign: string) =>
  site.record('sign.seen@1', subject.value, { station: props.station.id, sign, note: '' })

const reason = ref('')
function layUp(): void {
  if (reason.value.trim().length < 3) return
  site.record('station.laid-up@1', subject.value, { station: props.station.id, reason: reason.value.trim() })
  reason.value = ''
}
const wrong = ref('')
function takeOut(): void {
  if (wrong.value.trim().length < 3) return
  site.record('station.stopped@1', subject.value, { station: props.station.id, reason: wrong.value.trim() })
  wrong.value = ''
}
const back = () => site.record('station.back@1', subject.value, { station: props.station.id })
</script>

<template>
  <div class="notes">
    <template v-if="signs.length > 0">
      <h2 class="label">{{ t('house.signs') }}</h2>
      <p v-for="s in signs" :key="s" class="line">
        <span>{{ signName(s) }}</span>
        <span v-if="seenAt(s)">{{
          t('house.seenAt', { time: `${day(seenAt(s)?.at ?? 0)} ${clock(seenAt(s)?.at ?? 0)}` })
        }}</span>
        <n-button v-else @click="see(s)">{{ t('house.seen') }}</n-button>
      </p>
    </template>
    <form v-for="c in counters" :key="c" class="line" @submit.prevent="count(c)">
      <label>
        {{ t(`house.count.${c}`, { n: station.counts[c]?.total ?? '–' }) }}
        <n-input :value="typed[c] ?? ''" placeholder="" @update:value="(v: string) => (typed[c] = v)" />
        <span v-if="fault(c)" class="fault" role="alert">{{ fault(c) }}</span>
      </label>
      <n-button attr-type="submit">{{ t('bench.keep') }}</n-button>
    </form>
    <h2 class="label">{{ t('house.service') }}</h2>
    <p v-if="station.outOfService" class="line">
      {{
        t('house.isOut', {
          when: `${day(station.outOfService.since)} ${clock(station.outOfService.since)}`,
          why: station.outOfService.what,
        })
      }}
    </p>
    <form v-else class="line" @submit.prevent="takeOut">
      <label
        >{{ t('house.takeOutWhy') }}
        <n-input v-model:value="wrong" :placeholder="t('house.takeOutLike')" maxlength="500" />
      </label>
      <n-button attr-type="submit" type="error" ghost :disabled="wrong.trim().length < 3">{{
        t('house.takeOut')
      }}</n-button>
    </form>
    <template v-if="session.mayDo('close-case')">
      <p v-if="station.laidUp" class="line">
        <span>{{
          t('house.laidUp', { day: day(station.laidUp.since), reason: station.laidUp.reason })
        }}</span>
        <n-button @click="back">{{ t('house.backInService') }}</n-button>
      </p>
      <form v-else class="line" @submit.prevent="layUp">
        <label>{{ t('house.layUpWhy') }} <n-input v-model:value="reason" placeholder="" /></label>
        <n-button attr-type="submit" :disabled="reason.trim().length < 3">{{ t('house.layUp') }}</n-button>
      </form>
    </template>
  </div>
</template>

<style scoped>
.label {
  margin: 14px 0 4px;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
  align-items: end;
  margin: 6px 0;
}
label {
  font-weight: 600;
  color: var(--ink-2);
}
.fault {
  color: var(--out);
}
</style>
