<script setup lang="ts">
import { codeSections, ruledQuantities } from '@tadka/core/rules'
import { NButton, useMessage } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useSentence } from '../record/sentence.ts'
import { useSite } from '../site/site.ts'
import { useUnitSystem } from '../site/unit-system.ts'
import { rightNow } from '../wire/clock.ts'
import { newId } from '../wire/device.ts'
import ChoiceField from './ChoiceField.vue'
import { useDraftForm } from './draft-form.ts'
import './form.css'
import {
  aboutIt,
  faultsOf,
  ruleOf,
  unitOf,
  unitsOf,
  whatChanges,
  type ChangedReading,
  type RuleDraft,
} from './rule-draft.ts'
import TextField from '../pieces/TextField.vue'

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
const made = (d: RuleDraft, id = 'draft') => ruleOf(d, id, rightNow(), system.value)
const { draft, tried, fault, rest, keep, clear } = useDraftForm({
  start: () => empty,
  faults: faultsOf,
  made: (d) => {
    const { id: _, ...rule } = made(d)
    return rule
  },
  type: 'rule.set@1',
  words: 'house.rule.fault',
  fieldOf: { limit: 'number' },
})
const units = computed(() => {
  const about = aboutIt(draft.value)
  return about ? unitsOf(about, system.value).map((u) => ({ label: u, value: u })) : []
})
const tested = ref<{ of: number; changed: ChangedReading[] } | null>(null)
const busy = ref(false)
// What was tried is not what stands there any more.
watch(draft, () => (tested.value = null), { deep: true })
const unit = computed({ get: () => unitOf(draft.value, system.value), set: (u) => (draft.value.unit = u) })
const sections = computed(() => [
  { label: t('house.rule.adds'), value: '' },
  ...codeSections(system.value).map((s) => ({
    label: `${t('house.rule.replaces', { section: s.section })}: ${t(`house.rule.about.${s.quantity}`)}`,
    value: s.section,
  })),
])

async function test(): Promise<void> {
  tried.value = true
  if (faultsOf(draft.value).some((f) => f !== 'reason' && f !== 'authority') || !session.site) return
  busy.value = true
  try {
    tested.value = await whatChanges(session.site, made(draft.value), rightNow())
  } catch {
    message.error(t('common.offline'))
  } finally {
    busy.value = false
  }
}
function put(): void {
  const rule = keep()
  if (!rule) return
  site.record('rule.set@1', { kind: 'rule', id: newId() }, rule)
  message.success(t('house.saved'))
  clear()
}
</script>

<template>
  <form class="house-form rule" @submit.prevent="put">
    <h2>{{ t('house.rule.new') }}</h2>
    <div class="fields">
      <text-field v-model="draft.authority" :name="t('house.rule.authority')" :fault="fault('authority')" />
      <choice-field v-model="draft.replaces" :name="t('house.rule.effect')" :options="sections" />
      <choice-field
        v-if="draft.replaces === ''"
        v-model="draft.quantity"
        :name="t('house.rule.quantity')"
        :options="ruledQuantities.map((q) => ({ label: t(`house.rule.about.${q}`), value: q }))"
        :fault="fault('about')"
      />
      <choice-field
        v-if="units.length > 1"
        v-model="unit"
        :name="t('house.instrument.unit')"
        :options="units"
      />
      <text-field
        v-model="draft.lo"
        :name="[t('house.rule.lo'), unit].filter(Boolean).join(', ')"
        :fault="fault('number', 'limit', 'order')"
      />
      <text-field v-model="draft.hi" :name="[t('house.rule.hi'), unit].filter(Boolean).join(', ')" />
      <text-field
        v-model="draft.reason"
        class="wide"
        :name="t('house.rule.reason')"
        :fault="fault('reason')"
      />
    </div>
    <p class="fault" role="alert">{{ rest }}</p>
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
