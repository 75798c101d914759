<script setup lang="ts">
import { codeSections, ruledQuantities } from '@tadka/core/rules'
import { NButton, NInput, NSelect, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useSentence } from '../record/sentence.ts'
import { useSite } from '../site/site.ts'
import { useUnitSystem } from '../site/unit-system.ts'
import { rightNow } from '../wire/clock.ts'
import { newId } from '../wire/device.ts'
import {
  aboutIt,
  faultsOf,
  ruleOf,
  unitOf,
  unitsOf,
  whatChanges,
  type ChangedReading,
  type RuleDraft,
  type RuleFault,
} from './rule-draft.ts'

/** A rule of the site's own authority; before it is put in force, it tells which readings it would have judged otherwise. */
const { t } = useI18n()
const site = useSite()
const { system } = useUnitSystem()
const session = useSession()
const message = useMessage()
const { say } = useSentence()
const { day, clock } = useTimes()

const empty: RuleDraft = {
  authority: '',
  replaces: '',
  quantity: null,
  unit: '',
  lo: '',
  hi: '',
  reason: '',
}
const units = computed(() => {
  const about = aboutIt(draft.value)
  return about ? unitsOf(about, system.value).map((u) => ({ label: u, value: u })) : []
})
const draft = ref<RuleDraft>({ ...empty })
const tried = ref(false)
const tested = ref<{ of: number; changed: ChangedReading[] } | null>(null)
const busy = ref(false)
const faults = computed(() => faultsOf(draft.value))
const fault = (...names: RuleFault[]) => {
  const found = names.find((n) => faults.value.includes(n))
  return tried.value && found ? t(`house.rule.fault.${found}`) : ''
}
const set = (change: Partial<RuleDraft>) => {
  draft.value = { ...draft.value, ...change }
  tested.value = null
}
const sections = computed(() => [
  { label: t('house.rule.adds'), value: '' },
  ...codeSections(system.value).map((s) => ({
    label: `${t('house.rule.replaces', { section: s.section })}: ${t(`house.rule.about.${s.quantity}`)}`,
    value: s.section,
  })),
])

async function test(): Promise<void> {
  tried.value = true
  if (faults.value.some((f) => f !== 'reason' && f !== 'authority') || !session.site) return
  busy.value = true
  try {
    tested.value = await whatChanges(
      session.site,
      ruleOf(draft.value, 'draft', rightNow(), system.value),
      rightNow(),
    )
  } catch {
    message.error(t('common.offline'))
  } finally {
    busy.value = false
  }
}
function put(): void {
  tried.value = true
  if (faults.value.length > 0) return
  const { id, ...rule } = ruleOf(draft.value, newId(), rightNow(), system.value)
  site.record('rule.set@1', { kind: 'rule', id }, rule)
  message.success(t('house.saved'))
  draft.value = { ...empty }
  tried.value = false
  tested.value = null
}
</script>

<template>
  <form class="rule" @submit.prevent="put">
    <h2>{{ t('house.rule.new') }}</h2>
    <div class="fields">
      <label>
        {{ t('house.rule.authority') }}
        <n-input
          :value="draft.authority"
          placeholder=""
          @update:value="(authority: string) => set({ authority })"
        />
        <span class="fault">{{ fault('authority') }}</span>
      </label>
      <div>
        <span class="name">{{ t('house.rule.effect') }}</span>
        <n-select
          :value="draft.replaces"
          :options="sections"
          :aria-label="t('house.rule.effect')"
          @update:value="(replaces: string) => set({ replaces })"
        />
      </div>
      <div v-if="draft.replaces === ''">
        <span class="name">{{ t('house.rule.quantity') }}</span>
        <n-select
          :value="draft.quantity"
          :virtual-scroll="false"
          :options="ruledQuantities.map((q) => ({ label: t(`house.rule.about.${q}`), value: q }))"
          :aria-label="t('house.rule.quantity')"
          @update:value="(quantity: RuleDraft['quantity']) => set({ quantity })"
        />
        <span class="fault">{{ fault('about') }}</span>
      </div>
      <div v-if="units.length > 1">
        <span class="name">{{ t('house.instrument.unit') }}</span>
        <n-select
          :value="unitOf(draft, system)"
          :options="units"
          :aria-label="t('house.instrument.unit')"
          @update:value="(unit: string) => set({ unit })"
        />
      </div>
      <label>
        {{ t('house.rule.lo') }}, {{ unitOf(draft, system) }}
        <n-input :value="draft.lo" placeholder="" @update:value="(lo: string) => set({ lo })" />
        <span class="fault">{{ fault('number', 'limit', 'order') }}</span>
      </label>
      <label>
        {{ t('house.rule.hi') }}, {{ unitOf(draft, system) }}
        <n-input :value="draft.hi" placeholder="" @update:value="(hi: string) => set({ hi })" />
      </label>
      <label class="long">
        {{ t('house.rule.reason') }}
        <n-input :value="draft.reason" placeholder="" @update:value="(reason: string) => set({ reason })" />
        <span class="fault">{{ fault('reason') }}</span>
      </label>
    </div>
    <div class="act">
      <n-button :loading="busy" @click="test">{{ t('house.rule.test') }}</n-button>
      <n-button type="primary" attr-type="submit">{{ t('house.rule.put') }}</n-button>
    </div>
    <div v-if="tested" role="status">
      <p class="told">{{ t('house.rule.changes', { n: tested.changed.length, of: tested.of }) }}</p>
      <ul>
        <li v-for="c in tested.changed.slice(0, 12)" :key="c.record.id">
          <span>{{ day(c.record.observedAt) }} {{ clock(c.record.observedAt) }} {{ say(c.record) }}</span>
          <verdict-mark :verdict="c.was" :size="18" /> → <verdict-mark :verdict="c.becomes" :size="18" />
        </li>
      </ul>
    </div>
  </form>
</template>

<style scoped>
.rule {
  margin-top: 28px;
  border-top: 1px solid var(--line);
  padding-top: 14px;
}
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 14px 24px;
  margin: 12px 0;
}
label,
.name {
  font-weight: 600;
  color: var(--ink-2);
}
.long {
  grid-column: 1 / -1;
}
.fault {
  color: var(--out);
}
.act {
  display: flex;
  gap: 12px;
}
.told {
  font-weight: 650;
  margin: 14px 0 6px;
}
li {
  display: grid;
  grid-template-columns: 1fr auto auto auto;
  gap: 14px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--line-soft);
}
</style>
