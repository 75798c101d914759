<script setup lang="ts">
import { mayUnlock } from '@tadka/core/rights'
import { type PersonSet } from '@tadka/core/people'
import { newCrew, type SiteSet } from '@tadka/core/house'
import { NButton, useMessage } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRefusalText } from '../rights/refusal-text.ts'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { ask } from '../wire/api.ts'
import HouseIllness from './HouseIllness.vue'
import InspectorLinks from './InspectorLinks.vue'
import NewPin from './NewPin.vue'
import OwnSecret from './OwnSecret.vue'
import PersonForm from './PersonForm.vue'
import SignOffs from './SignOffs.vue'

/** Who works here: entered, changed, gone; their PINs, and what they may clean by themselves. */
const { t } = useI18n()
const session = useSession()
const site = useSite()
const message = useMessage()
const refusalText = useRefusalText()
type Act = 'signOffs' | 'change' | 'pin' | 'own' | 'leave'
const open = ref<{ id: string; act: Act } | null>(null)
const adding = ref(0)
/** The PINs that those who were added just now begin with. */
const given = ref<readonly { name: string; pin: string }[]>([])
const refused = ref('')
const busy = ref(false)
onMounted(() => session.openDoor().catch(() => {}))

const path = computed(() => `/api/sites/${session.site}/people`)
const may = computed(() => session.mayDo('set-up-house'))
const gone = computed(() => site.all('crew').filter((c) => c.left === true && c.role !== 'inspector'))
const setOf = (id: string): PersonSet | null => {
  const at = session.everyone.find((p) => p.id === id)
  return at ? { name: at.name, role: at.role, login: site.one('crew', id)?.login ?? null, left: false } : null
}
const isOpen = (id: string, act: Act) => open.value?.id === id && open.value.act === act
const turn = (id: string, act: Act) => {
  refused.value = ''
  open.value = isOpen(id, act) ? null : { id, act }
}

/** Asks the server; what it refuses is told, and nothing typed is lost. */
async function change(what: () => Promise<unknown>): Promise<boolean> {
  busy.value = true
  refused.value = ''
  try {
    await what()
    await session.openDoor()
    return true
  } catch (error) {
    refused.value = refusalText(error)
    return false
  } finally {
    busy.value = false
  }
}
const unlock = (id: string) =>
  change(() => ask('POST', `${path.value}/${id}/unlock`)).then(
    (done) => done && message.success(t('house.unlocked')),
  )
const set = (id: string, to: PersonSet, password: string | null = null) =>
  change(() => ask('POST', `${path.value}/${id}`, { ...to, password })).then((done) => {
    if (done) open.value = null
  })

async function add(to: PersonSet, pin: string, password: string | null, cleans: 'everything' | 'learning') {
  const { left: _, ...person } = to
  let id = ''
  const done = await change(async () => {
    id = (await ask<{ id: string }>('POST', path.value, { ...person, pin, password })).id
  })
  if (!done) return
  const families = [...new Set(site.all('station').flatMap((s) => s.plate?.family ?? []))]
  const counters = ((site.set as Partial<SiteSet> | null)?.counters ?? []).map((c) => c.id)
  site.record('crew.set@1', { kind: 'crew', id }, newCrew(cleans, families, counters))
  given.value = [...given.value, { name: to.name, pin }]
  // The next one: empty fields.
  adding.value += 1
}
</script>

<template>
  <section>
    <p v-if="refused && !open && adding === 0" class="locked" role="alert">{{ refused }}</p>
    <ul>
      <li v-for="p in session.everyone" :key="p.id">
        <b>{{ p.name }}</b>
        <span class="quiet">{{ t(`people.role.${p.role}`) }}</span>
        <span class="acts">
          <template v-if="p.lockedOn.length > 0">
            <span class="locked">{{
              t('house.lockedOn', { tablets: p.lockedOn.map((b) => b.name).join(', ') })
            }}</span>
            <n-button v-if="session.acting && mayUnlock(session.acting.role, p.role)" @click="unlock(p.id)">{{
              t('house.unlock')
            }}</n-button>
          </template>
          <n-button v-if="may" @click="turn(p.id, 'signOffs')">{{ t('house.offs.title') }}</n-button>
          <n-button v-if="session.acting?.id === p.id" @click="turn(p.id, 'own')">{{
            t('people.own.title')
          }}</n-button>
          <n-button
            v-else-if="session.acting && mayUnlock(session.acting.role, p.role)"
            @click="turn(p.id, 'pin')"
            >{{ t('people.newPin') }}</n-button
          >
          <template v-if="may">
            <n-button @click="turn(p.id, 'change')">{{ t('house.change') }}</n-button>
            <n-button @click="turn(p.id, 'leave')">{{ t('people.leave') }}</n-button>
          </template>
        </span>
        <sign-offs v-if="isOpen(p.id, 'signOffs')" :person="p.id" @close="open = null" />
        <own-secret
          v-if="isOpen(p.id, 'own')"
          class="whole"
          :has-password="p.role === 'manager'"
          @close="open = null"
        />
        <new-pin
          v-if="isOpen(p.id, 'pin')"
          class="whole"
          :person="p.id"
          :name="p.name"
          @close="open = null"
        />
        <person-form
          v-if="isOpen(p.id, 'change')"
          class="whole"
          :person="setOf(p.id)"
          :refused="refused"
          :busy="busy"
          @keep="(to, _, password) => set(p.id, to, password)"
          @close="open = null"
        />
        <div v-if="isOpen(p.id, 'leave')" class="whole sure">
          <p>{{ t('people.leaveSure', { name: p.name }) }}</p>
          <p v-if="refused" class="locked" role="alert">{{ refused }}</p>
          <n-button type="error" size="large" @click="set(p.id, { ...setOf(p.id)!, left: true })">{{
            t('people.leaveYes')
          }}</n-button>
          <n-button size="large" @click="open = null">{{ t('common.cancel') }}</n-button>
        </div>
      </li>
    </ul>
    <div v-if="given.length > 0" class="given" role="status">
      <p>{{ t('setup.file.pins') }}</p>
      <p v-for="g in given" :key="g.name">
        {{ g.name }}: <b>{{ g.pin }}</b>
      </p>
    </div>
    <template v-if="may">
      <person-form
        v-if="adding > 0"
        :key="adding"
        :person="null"
        :refused="refused"
        :busy="busy"
        @keep="add"
        @close="((adding = 0), (refused = ''))"
      />
      <n-button v-else type="primary" size="large" class="add" @click="((adding = 1), (open = null))">{{
        t('people.new')
      }}</n-button>
      <template v-if="gone.length > 0">
        <h2 class="label">{{ t('people.gone') }}</h2>
        <ul>
          <li v-for="p in gone" :key="p.id">
            <b>{{ p.name }}</b>
            <span class="quiet">{{ t(`people.role.${p.role ?? 'crew'}`) }}</span>
            <span class="acts">
              <n-button
                @click="
                  set(p.id, {
                    name: p.name ?? p.id,
                    role: p.role ?? 'crew',
                    login: p.login ?? null,
                    left: false,
                  })
                "
                >{{ t('people.comeBack') }}</n-button
              >
            </span>
          </li>
        </ul>
      </template>
    </template>
    <house-illness v-if="session.mayDo('keep-illness')" />
    <inspector-links v-if="session.mayDo('invite-inspector')" />
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(110px, 170px) minmax(80px, 120px) 1fr;
  align-items: center;
  min-height: 60px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line-soft);
}
b {
  font-size: 19px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  justify-content: flex-end;
  align-items: center;
}
.whole {
  grid-column: 1 / -1;
}
.sure {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  padding: 0 0 14px;
}
.locked {
  color: var(--out);
  font-weight: 600;
}
.given {
  padding: 14px 0 0;
}
.add {
  margin-top: 18px;
}
.label {
  margin-top: 26px;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: 1fr 1fr;
    padding: 8px 0;
  }
  .acts {
    grid-column: 1 / -1;
    justify-content: flex-start;
  }
}
</style>
