<script setup lang="ts">
import type { CodeView, TabletList, TabletView } from '@tadka/contract/people'
import { Refusal } from '@tadka/core/refusal'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { ask } from '../wire/api.ts'
import { deviceId } from '../wire/device.ts'
import './form.css'

/** The tablets that take PINs: their names, when each was last used, a code for another, and the end of one that is lost. */
const { t } = useI18n()
const session = useSession()
const names = useNames()
const { clock, day } = useTimes()
const list = ref<TabletList | null>(null)
const failed = ref('')
const code = ref<CodeView | null>(null)
/** What is being done to one of them. */
const at = ref<{ id: string; act: 'rename' | 'end' } | null>(null)
const newName = ref('')
const ownName = ref('')
const path = computed(() => `/api/sites/${session.site}/tablets`)

async function look(): Promise<void> {
  await act(async () => (list.value = await ask<TabletList>('GET', path.value)))
}
async function act(what: () => Promise<unknown>): Promise<void> {
  failed.value = ''
  try {
    await what()
  } catch (error) {
    failed.value = error instanceof Refusal ? error.message : t('common.offline')
  }
}
const change = (what: () => Promise<unknown>) =>
  act(async () => {
    await what()
    at.value = null
    await look()
  })
const rename = (b: TabletView) =>
  change(() => ask('POST', `${path.value}/${b.id}/name`, { name: newName.value.trim() }))
const end = (b: TabletView) => change(() => ask('POST', `${path.value}/${b.id}/revoke`))
const makeCode = () => act(async () => (code.value = await ask<CodeView>('POST', `${path.value}/codes`)))
const enrolThis = () =>
  change(async () => {
    await ask('POST', path.value, { device: deviceId(), name: ownName.value.trim() })
    await session.openDoor()
  })
function begin(b: TabletView, what: 'rename' | 'end'): void {
  at.value = { id: b.id, act: what }
  newName.value = b.name
}
const when = (ms: number) => `${day(ms)} ${clock(ms)}`
const state = (b: TabletView) => {
  if (b.revokedAt !== null) return t('house.tablets_.ended', { day: day(b.revokedAt) })
  return b.usedAt === null ? t('house.tablets_.unused') : t('house.tablets_.used', { time: when(b.usedAt) })
}
void look()
</script>

<template>
  <section>
    <h2>{{ t('house.tablets_.title') }}</h2>
    <p class="quiet">{{ t('house.tablets_.how') }}</p>
    <p v-if="failed" class="fault" role="alert">{{ failed }}</p>
    <template v-if="list">
      <p v-if="list.tablets.length === 0">{{ t('house.tablets_.none') }}</p>
      <form v-if="list.own === null" class="house-form own" @submit.prevent="enrolThis">
        <label for="own-name">{{ t('people.enrol.name') }}</label>
        <n-input
          v-model:value="ownName"
          size="large"
          :maxlength="60"
          :placeholder="t('people.enrol.nameExample')"
          :input-props="{ id: 'own-name' }"
        />
        <n-button type="primary" size="large" attr-type="submit" :disabled="ownName.trim() === ''">
          {{ t('house.tablets_.thisOne') }}
        </n-button>
      </form>
      <ul>
        <li v-for="b in list.tablets" :key="b.id">
          <form
            v-if="at?.id === b.id && at.act === 'rename'"
            class="row"
            @submit.prevent="newName.trim() !== '' && rename(b)"
          >
            <n-input
              v-model:value="newName"
              size="large"
              :maxlength="60"
              :input-props="{ 'aria-label': t('house.tablets_.name') }"
            />
            <n-button attr-type="submit" type="primary" size="large" :disabled="newName.trim() === ''">
              {{ t('house.tablets_.save') }}
            </n-button>
            <n-button size="large" @click="at = null">{{ t('house.tablets_.back') }}</n-button>
          </form>
          <div v-else-if="at?.id === b.id" class="row">
            <p>{{ t('house.tablets_.endSure', { name: b.name }) }}</p>
            <n-button type="error" size="large" @click="end(b)">{{ t('house.tablets_.endYes') }}</n-button>
            <n-button size="large" @click="at = null">{{ t('house.tablets_.keep') }}</n-button>
          </div>
          <div v-else class="row">
            <p>
              <b>{{ b.name }}</b>
              <span class="quiet">
                {{ b.id === list.own ? `${t('house.tablets_.own')}, ` : '' }}{{ state(b)
                }}{{ b.enrolledBy ? `, ${names.person(b.enrolledBy)}` : '' }}
              </span>
            </p>
            <template v-if="b.revokedAt === null">
              <n-button @click="begin(b, 'rename')">{{ t('house.tablets_.rename') }}</n-button>
              <n-button @click="begin(b, 'end')">{{ t('house.tablets_.end') }}</n-button>
            </template>
          </div>
        </li>
      </ul>
      <p v-if="code" class="code" role="status">
        {{ t('house.tablets_.code') }} <strong>{{ code.code }}</strong>
        <span class="quiet">{{ t('house.tablets_.until', { time: clock(code.endsAt) }) }}</span>
      </p>
      <n-button size="large" @click="makeCode">{{ t('house.tablets_.newCode') }}</n-button>
    </template>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  gap: 12px;
  min-height: 68px;
  padding: 10px 0;
  margin-bottom: 12px;
  border-bottom: 1px solid var(--line-soft);
  flex-wrap: wrap;
}
.row p {
  flex: 1 1 260px;
}
b {
  display: block;
  font-size: 19px;
}
.own {
  max-width: 480px;
}
.code {
  padding: 14px 18px;
  margin: 16px 0;
  background: var(--sea-wash);
  display: flex;
  gap: 14px;
  align-items: baseline;
  flex-wrap: wrap;
}
.code strong {
  font-size: 34px;
  letter-spacing: 0.08em;
}
.fault {
  color: var(--out);
  font-weight: 600;
}
</style>
