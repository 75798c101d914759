<script setup lang="ts">
import type { PersonAtDoor } from '@tadka/contract/people'
import { Refusal } from '@tadka/core/refusal'
import { NButton } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import DigitsEntry from '../pieces/DigitsEntry.vue'
import { useSiteStore } from '../site/site.ts'
import EnrolTablet from './EnrolTablet.vue'
import './entry.css'
import PasswordEntry from './PasswordEntry.vue'
import { useSession } from '../rights/session.ts'
import { useRefusalText } from '../rights/refusal-text.ts'

const session = useSession()
const route = useRoute()
const router = useRouter()
const { t } = useI18n()
const refusalText = useRefusalText()

const person = ref<PersonAtDoor | null>(null)
const pin = ref('')
const byPassword = ref(false)
const wrong = ref('')
const busy = ref(false)
const unreachable = ref(false)
const door = computed(() => session.door)
const isLockedHere = (p: PersonAtDoor) => p.lockedOn.some((b) => b.id === door.value?.tablet?.id)

async function openDoor(): Promise<void> {
  try {
    await session.openDoor()
    unreachable.value = false
    if (session.door?.hasSite === false) await router.replace('/first-start')
  } catch {
    unreachable.value = true
    setTimeout(() => void openDoor(), 2000)
  }
}
onMounted(() => {
  void openDoor()
  // What was made here before is sent, whoever signs in next, or nobody.
  void useSiteStore().restore()
})

function choose(p: PersonAtDoor): void {
  person.value = p
  given.value = null
  pin.value = ''
  wrong.value = ''
}
function turn(): void {
  byPassword.value = !byPassword.value
  wrong.value = ''
}

/** The PIN chosen would be the first that anybody tries. */
const isEasy = (error: unknown) =>
  given.value !== null && error instanceof Refusal && error.code === 'body_malformed'

async function enter(how: () => Promise<void>): Promise<void> {
  busy.value = true
  wrong.value = ''
  try {
    await how()
    await router.replace(typeof route.query['to'] === 'string' ? route.query['to'] : '/shift')
  } catch (error) {
    const isToChange = error instanceof Refusal && error.code === 'pin_to_change'
    if (isToChange) given.value = pin.value
    pin.value = ''
    wrong.value = isToChange ? '' : isEasy(error) ? t('people.easyPin') : refusalText(error)
  } finally {
    busy.value = false
  }
}
/** The PIN that somebody else chose, while its owner chooses their own; null where they have one. */
const given = ref<string | null>(null)
const enterPin = () => {
  const [where, who] = [door.value?.site, person.value]
  if (!where || !who || pin.value.length < 4) return
  const [own, next] = given.value === null ? [pin.value, undefined] : [given.value, pin.value]
  void enter(() => session.signInByPin(where.id, who.id, own, next))
}
const enterPassword = (login: string, password: string) =>
  void enter(() => session.signInByPassword(login, password))
</script>

<template>
  <main class="door">
    <header>
      <svg width="44" height="44" viewBox="0 0 32 32" aria-hidden="true">
        <path d="M5 20c3-5 6-5 9 0s7 5 13-3" class="wave" />
        <circle cx="23" cy="9" r="3.4" class="sun" />
      </svg>
      <div>
        <h1>{{ door?.site?.name ?? 'Tadka' }}</h1>
        <p v-if="door?.tablet" class="quiet">{{ t('people.welcome') }}</p>
      </div>
    </header>
    <p v-if="unreachable" class="entry-wrong" role="alert">{{ t('people.unreachable') }}</p>
    <password-entry v-if="door && byPassword" :wrong="wrong" :busy="busy" @enter="enterPassword" />
    <enrol-tablet v-else-if="door && !door.tablet" />
    <section v-else-if="door?.site" class="entry-two">
      <div class="names" role="group" :aria-label="t('people.pick')">
        <button
          v-for="p in door.people"
          :key="p.id"
          type="button"
          :aria-pressed="p.id === person?.id"
          @click="choose(p)"
        >
          <span class="face" aria-hidden="true">{{ p.name.slice(0, 2) }}</span>
          <span>
            <b>{{ p.name }}</b>
            <span class="quiet small">{{
              isLockedHere(p) ? t('people.lockedHere') : t(`people.role.${p.role}`)
            }}</span>
          </span>
        </button>
      </div>
      <form v-if="person" class="entry-form" @submit.prevent="enterPin">
        <digits-entry
          id="pin"
          v-model="pin"
          secret
          autofocus
          :label="
            given === null
              ? t('people.pin', { name: person.name })
              : t('people.chooseOwn', { name: person.name })
          "
          :longest="8"
          :wrong="wrong"
        />
        <n-button
          type="primary"
          size="large"
          attr-type="submit"
          block
          :loading="busy"
          :disabled="pin.length < 4"
        >
          {{ t(given === null ? 'people.enter' : 'people.keepOwn') }}
        </n-button>
      </form>
      <p v-else class="hint quiet">{{ t('people.pick') }}</p>
    </section>
    <footer>
      <button v-if="door?.hasSite" type="button" class="link" @click="turn">
        {{ byPassword ? t(door.tablet ? 'people.pick' : 'people.enrol.back') : t('people.byPassword') }}
      </button>
      <router-link v-if="session.acting" to="/shift" class="link">
        {{ t('people.goOn', { name: session.acting.name }) }}
      </router-link>
      <span class="quiet small">{{ t('common.decides') }}</span>
    </footer>
  </main>
</template>

<style scoped>
.door {
  min-height: 100%;
  max-width: 1040px;
  margin: 0 auto;
  padding: 40px var(--gutter) 20px;
  display: flex;
  flex-direction: column;
  gap: 28px;
}
header {
  display: flex;
  gap: 18px;
  align-items: center;
}
h1 {
  font-size: 34px;
}
.wave {
  fill: none;
  stroke: var(--sea);
  stroke-width: 3;
  stroke-linecap: round;
}
.sun {
  fill: var(--close);
}
.names {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  align-content: start;
}
.names button {
  min-height: 88px;
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 0 18px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  text-align: left;
  font-size: 20px;
  cursor: pointer;
}
.names span.small {
  display: block;
}
.names button[aria-pressed='true'] {
  border-color: var(--sea);
  background: var(--sea-wash);
}
.face {
  width: 48px;
  height: 48px;
  border-radius: 50%;
  background: var(--sea);
  color: var(--sea-ink);
  display: grid;
  place-items: center;
  font-weight: 650;
  font-size: 18px;
}
.hint {
  flex: 1;
  padding-top: 20px;
}
footer {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 20px;
  flex-wrap: wrap;
}
.link {
  border: 0;
  background: none;
  color: var(--sea);
  font-weight: 600;
  min-height: 48px;
  padding: 0;
  line-height: 48px;
  text-decoration: none;
  cursor: pointer;
}
@media (max-width: 760px) {
  .names {
    grid-template-columns: 1fr 1fr;
  }
  .names button {
    min-height: 64px;
    padding: 0 10px;
    gap: 10px;
    font-size: 17px;
  }
  .face {
    width: 36px;
    height: 36px;
    font-size: 15px;
  }
}
</style>
