<script setup lang="ts">
import type { InVessel } from '@tadka/core/solution'
import { NButton, NSelect, useMessage } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { useKit } from '../site/kit.ts'
import { useProductAlarms } from '../site/product-alarms.ts'
import FigureField from '../pieces/FigureField.vue'
import NumberPad from '../pieces/NumberPad.vue'
import { useUnits } from '../site/units.ts'
import ContainerLabel from './ContainerLabel.vue'
import type { parseField } from '../pieces/field.ts'
import { useWays } from './measured.ts'
import { useMixing } from './mixing.ts'
import VesselLeft from './VesselLeft.vue'
import WayShown from './WayShown.vue'

/** A fresh mix: the vessel and what is in it, the product, and the pour. */
const { t } = useI18n()
const units = useUnits()
const kit = useKit()
const alarms = useProductAlarms()
const router = useRouter()
const message = useMessage()
const m = useMixing()
/** A vessel's code, scanned or followed, opens it. */
const scanned = useRoute().query['vessel']
const opened = [...m.vessels.value, ...m.machines.value].find((v) => v.station === scanned)
if (opened) m.choose(opened.key)
const ways = useWays()

const machine = computed(() => m.machines.value.find((v) => v.key === m.chosen.value)?.key ?? null)
const machines = computed(() =>
  m.machines.value.map((v) => ({
    label: `${v.name}: ${kit.forUse(v.use)[0]?.use.name ?? t('bench.noProductFor')}, ${units.volume(v.volume)}`,
    value: v.key,
  })),
)
const field = ref<'amount' | 'target'>('amount')
const padded = computed({
  get: () => (field.value === 'amount' ? m.amount.value : m.target.value),
  set: (v) => (field.value === 'amount' ? (m.amount.value = v) : (m.target.value = v)),
})
const options = computed(() =>
  m.choices.value.map((c) => ({ label: `${c.product.name}: ${c.use.name}`, value: c.key })),
)
const over = computed(() => {
  const holds = m.vessel.value?.holds
  return holds !== undefined && m.total.value > holds
    ? t('bench.overHolds', { volume: units.volume(holds) })
    : undefined
})
const all = computed(() => {
  const { measured } = m.measured.value
  return measured && !over.value ? ways(measured, m.vessel.value?.holds ?? null) : []
})
const picked = ref(0)
const way = computed(() => all.value[picked.value] ?? all.value[0] ?? null)
watch([m.chosen, m.key], () => (picked.value = 0))

const total = computed(() => way.value?.total ?? m.total.value)
const into = computed(() => {
  const name = m.choice.value?.product.name ?? ''
  return `${name}, ${t('bench.intoWater', { total: units.volume(total.value) })}`
})
const cautions = computed(() => {
  const c = m.choice.value
  if (!c) return []
  const { ppe, neverWith } = c.product
  return [
    ppe.length > 0 ? t('bench.ppe', { list: ppe.join(', ') }) : '',
    neverWords(neverWith),
    c.use.temperature ? t('bench.waterAt', c.use.temperature) : '',
    c.use.contactSeconds ? t('bench.contact', { s: c.use.contactSeconds }) : '',
    c.use.rinseAfter ? t('bench.rinseAfter') : '',
    m.aimed.value ? t('bench.crewAim', { ...m.aimed.value }) : '',
    ...m.warnings(c.product).map((w) => t(`bench.concentrate.${w}`)),
  ].filter(Boolean)
})
const neverWords = (list: readonly string[] | null) =>
  list === null
    ? t('bench.neverUnknown')
    : list.length > 0
      ? t('bench.never', { list: list.map((x) => t(`chemical.${x}`)).join(', ') })
      : ''
const faultOf = (f: ReturnType<typeof parseField> | null) => (f?.fault ? t(`bench.${f.fault}`) : undefined)

const done = ref<ReturnType<typeof m.keep>>(null)
function keep(): void {
  if (!way.value) return
  done.value = m.keep(way.value.kept, total.value, m.vessel.value?.name ?? t('bench.ownVessel'))
  message.success(t('bench.saved'))
}
const test = () => router.push({ path: '/bench/check', query: { bath: done.value?.bath } })
const say = (inside: InVessel) => (m.said.value = inside)
const agent = computed(() => kit.products.value.find((p) => p.id === done.value?.product)?.agent ?? null)
</script>

<template>
  <div class="place">
    <div class="vessels" role="group" :aria-label="t('bench.vessel')">
      <button
        v-for="v in m.vessels.value"
        :key="v.key"
        type="button"
        :aria-pressed="m.chosen.value === v.key"
        @click="((done = null), m.choose(v.key))"
      >
        {{ v.name }} <span class="quiet">{{ units.volume(v.volume) }}</span>
      </button>
      <button type="button" :aria-pressed="m.chosen.value === null" @click="((done = null), m.choose(null))">
        {{ t('bench.ownVessel') }}
      </button>
      <n-select
        v-if="m.machines.value.length > 0"
        class="machine"
        :value="machine"
        :options="machines"
        :placeholder="t('bench.forMachine')"
        :aria-label="t('bench.forMachine')"
        @update:value="(key: string) => ((done = null), m.choose(key))"
      />
    </div>
    <div class="mixing">
      <section class="entry">
        <div>
          <label for="mix-product" class="small quiet">{{ t('bench.product') }}</label>
          <n-select
            :value="m.choice.value?.key ?? null"
            :options="options"
            :input-props="{ id: 'mix-product' }"
            :placeholder="t('bench.whichProduct')"
            :aria-label="t('bench.product')"
            @update:value="(v: string) => (m.key.value = v)"
          />
        </div>
        <figure-field
          id="mix-volume"
          v-model="m.amount.value"
          :label="t('bench.volume')"
          :unit="m.unit.value"
          :fault="faultOf(m.volume.value) ?? over"
          :active="field === 'amount'"
          @focus="field = 'amount'"
        />
        <figure-field
          v-if="m.labelTarget.value !== null"
          id="mix-target"
          v-model="m.target.value"
          :label="`${t('bench.target')} (${m.labelTarget.value})`"
          unit="ppm"
          :fault="m.measured.value.refusal ? m.measured.value.refusal.message : faultOf(m.aim.value)"
          :active="field === 'target'"
          @focus="field = 'target'"
        />
        <number-pad v-model="padded" />
      </section>
      <section class="answer" aria-live="polite">
        <container-label v-if="done" :mixed="done">
          <n-button v-if="agent" type="primary" size="large" @click="test">{{ t('bench.testNow') }}</n-button>
        </container-label>
        <vessel-left
          v-else-if="m.choice.value && !m.may.value?.may"
          :verdict="m.may.value"
          :product="m.choice.value.product"
          @said="say"
        />
        <way-shown
          v-else-if="way"
          :ways="all"
          :way="way"
          :into="into"
          :name="t('bench.tool')"
          :height="400"
          @pick="(i) => (picked = i)"
        >
          <p
            v-for="alarm in m.choice.value ? alarms(m.choice.value.product) : []"
            :key="alarm"
            class="alarm"
            role="alert"
          >
            {{ alarm }}
          </p>
          <p v-for="line in cautions" :key="line" class="why">{{ line }}</p>
          <template #act>
            <div class="act">
              <n-button type="primary" size="large" @click="keep">{{ t('bench.pouredKeep') }}</n-button>
              <p class="quiet small">{{ t('common.decides') }}</p>
            </div>
          </template>
        </way-shown>
        <p v-else-if="m.measured.value.measured && !over" class="none" role="alert">
          {{ t('bench.tooFine') }}
        </p>
        <p v-else-if="m.choices.value.length === 0" class="hint">
          {{ t('bench.noProducts') }}
          <router-link to="/house/products">{{ t('bench.noProductsHow') }}</router-link>
        </p>
        <p v-else-if="!m.choice.value" class="hint">{{ t('bench.whichProduct') }}</p>
        <p v-else-if="m.measured.value.refusal" class="none" role="alert">
          {{ m.measured.value.refusal.message }}
        </p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.mixing {
  display: grid;
  grid-template-columns: 400px minmax(0, 1fr);
  --key: 52px;
}
.machine {
  width: 210px;
}
.entry {
  padding: 16px var(--gutter);
  border-right: 1px solid var(--line);
  display: flex;
  flex-direction: column;
  gap: 12px;
}
.answer {
  padding: 20px var(--gutter) 20px 36px;
}
.why {
  color: var(--ink-2);
  margin-top: 4px;
}
.alarm {
  color: var(--out);
  font-weight: 650;
  margin-bottom: 8px;
}
.hint {
  font-size: 22px;
  color: var(--ink-2);
}
.none {
  font-size: 22px;
  font-weight: 600;
  color: var(--out);
}
.act {
  display: flex;
  flex-direction: column;
  gap: 10px;
  align-items: flex-start;
}
@media (max-width: 760px) {
  .mixing {
    display: block;
  }
}
</style>

<style scoped src="./vessels.css"></style>
