<script setup lang="ts">
import { deviceKinds, type DeviceView } from '@tadka/contract/device'
import { Refusal } from '@tadka/core/refusal'
import { NButton, NInput, NSelect } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useDishMachines } from '../warewash/dish.ts'
import { ask } from '../wire/api.ts'
import { useSite } from '../site/site.ts'
import { deviceFrom, emptyDevice, needsOf } from './device-draft.ts'
import './form.css'
import { useKit } from '../site/kit.ts'

/** Probes that may stream: which machine each is on, when it was last heard, and the words its gateway signs in with, told once. */
const { t } = useI18n()
const session = useSession()
const site = useSite()
const kit = useKit()
const names = useNames()
const { clock, day } = useTimes()
const machines = useDishMachines()
const may = computed(() => session.mayDo('set-up-house'))

const devices = ref<DeviceView[]>([])
const state = ref<'asking' | 'shown' | 'failed'>('asking')
const path = computed(() => `/api/sites/${session.site}/devices`)
async function look(): Promise<void> {
  try {
    devices.value = (await ask<{ devices: DeviceView[] }>('GET', path.value)).devices
    state.value = 'shown'
  } catch {
    state.value = 'failed'
  }
}
void look()

const draft = ref(emptyDevice())
const fault = ref('')
const header = ref('')
const needs = computed(() => needsOf(draft.value.kind))
const kinds = computed(() =>
  deviceKinds.map((value) => ({ value, label: t(`house.devices_.kind.${value}`) })),
)
/** A probe and a meter are on a dish machine, a panel on an ice machine. */
const stations = computed(() =>
  (draft.value.kind === 'ice-panel'
    ? site.all('station').filter((s) => s.plate?.family.startsWith('ice-'))
    : machines.value
  ).map((m) => ({ label: m.plate?.name ?? m.id, value: m.id })),
)
const things = computed(() =>
  (needs.value.of === 'instrument' ? kit.thermometers.value : kit.products.value).map((x) => ({
    label: x.name,
    value: x.id,
  })),
)
watch(
  () => draft.value.kind,
  () => Object.assign(draft.value, { station: null, of: null }),
)
async function enter(): Promise<void> {
  fault.value = ''
  const body = deviceFrom(draft.value)
  if (!body) {
    fault.value = t('house.devices_.fault')
    return
  }
  try {
    header.value = (await ask<{ authorization: string }>('POST', path.value, body)).authorization
    draft.value = emptyDevice()
    await look()
  } catch (error) {
    fault.value = error instanceof Refusal ? error.message : t('dish.traceFailed')
  }
}
async function end(device: string): Promise<void> {
  try {
    await ask('POST', `${path.value}/${device}/end`)
    await look()
  } catch {
    state.value = 'failed'
  }
}
</script>

<template>
  <section>
    <p class="quiet">{{ t('house.devices_.how') }}</p>
    <p v-if="state === 'asking'" class="quiet">{{ t('dish.asking') }}</p>
    <p v-else-if="state === 'failed'" class="fault">
      {{ t('dish.traceFailed') }} <n-button @click="look">{{ t('dish.again') }}</n-button>
    </p>
    <p v-else-if="devices.length === 0" class="quiet">{{ t('house.devices_.none') }}</p>
    <ul>
      <li v-for="d in devices" :key="d.id">
        <span>
          <b>{{ d.name }}</b>
          <span class="quiet">
            {{ t(`house.devices_.kind.${d.kind}`) }}{{ d.station ? `, ${names.station(d.station)}` : '' }},
            {{
              d.endedAt !== null
                ? t('house.devices_.ended', { day: day(d.endedAt) })
                : d.heardAt === null
                  ? t('house.devices_.unheard')
                  : t('house.devices_.heard', { time: `${day(d.heardAt)} ${clock(d.heardAt)}` })
            }}
          </span>
        </span>
        <router-link
          v-if="session.mayDo('record') && d.endedAt === null"
          class="fault-link"
          :to="{
            path: '/log/case/new',
            query: {
              origin: 'device',
              station: d.station ?? '',
              said: `${t('case.origins.device')}: ${d.name}`,
            },
          }"
          >{{ t('case.origins.device') }}</router-link
        >
        <n-button v-if="may && d.endedAt === null" @click="end(d.id)">{{ t('house.devices_.end') }}</n-button>
      </li>
    </ul>
    <p v-if="header" class="token" role="status">
      {{ t('house.devices_.once') }} <code>{{ header }}</code>
    </p>
    <form v-if="may" class="house-form" @submit.prevent="enter">
      <h2>{{ t('house.devices_.new') }}</h2>
      <div class="fields">
        <label
          >{{ t('house.devices_.what') }}
          <n-select v-model:value="draft.kind" :options="kinds" size="large" />
        </label>
        <label
          >{{ t('house.devices_.name') }}
          <n-input v-model:value="draft.name" placeholder="" maxlength="80" size="large" />
        </label>
        <label v-if="needs.station"
          >{{ t('house.devices_.on') }}
          <n-select v-model:value="draft.station" :options="stations" size="large" />
        </label>
        <label v-if="needs.of"
          >{{ t(`house.devices_.of.${needs.of}`) }}
          <n-select v-model:value="draft.of" :options="things" filterable size="large" />
        </label>
      </div>
      <p v-if="fault" class="fault" role="alert">{{ fault }}</p>
      <n-button type="primary" size="large" attr-type="submit">{{ t('house.devices_.enter') }}</n-button>
    </form>
    <p v-else class="quiet">{{ t('house.mayNot') }}</p>
  </section>
</template>

<style scoped>
.fault-link {
  margin-left: auto;
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  padding: 0 12px;
  font-weight: 600;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 16px;
  min-height: 64px;
  border-bottom: 1px solid var(--line-soft);
}
b {
  display: block;
  font-size: 19px;
}
.token {
  padding: 12px 16px;
  margin: 14px 0;
  background: var(--sea-wash);
}
code {
  display: block;
  overflow-wrap: anywhere;
  font-size: 16px;
}
.fault {
  color: var(--out);
  font-weight: 600;
}
</style>
