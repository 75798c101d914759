<script setup lang="ts">
import { byCountry } from '@tadka/core/house'
import { Refusal } from '@tadka/core/refusal'
import { NButton, NSelect } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import '../people/entry.css'
import { useRefusalText } from '../rights/refusal-text.ts'
import { useSession } from '../rights/session.ts'
import DigitsEntry from '../pieces/DigitsEntry.vue'
import { deviceId } from '../wire/device.ts'
import { countriesIn, countryOfLanguage } from './countries.ts'
import './form.css'
import FoundHours from './FoundHours.vue'
import {
  emptyFounding,
  foundFaults,
  foundingOf,
  foundPages,
  loginOf,
  type FoundField,
  type FoundPage,
} from './found-draft.ts'
import TextField from '../pieces/TextField.vue'

/** The first start: a site out of nothing, with the code that the console tells. */
const { t, locale } = useI18n()
const session = useSession()
const router = useRouter()
const refusalText = useRefusalText()
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone
const draft = ref(emptyFounding(countryOfLanguage(navigator.language), zone, t('first.tabletName')))
const pages = Object.keys(foundPages) as FoundPage[]
const page = ref<FoundPage>('code')
const at = computed(() => pages.indexOf(page.value))
/** Pages whose faults are shown: somebody tried to go on from them. */
const tried = ref(new Set<FoundPage>())
const busy = ref(false)
const refused = ref('')

onMounted(async () => {
  await session.openDoor().catch(() => {})
  if (session.door?.hasSite) await router.replace('/sign-in')
})

const faults = computed(() => foundFaults(draft.value))
const isWhole = (p: FoundPage) => !foundPages[p].some((field) => faults.value.has(field))
const fault = (field: FoundField) =>
  tried.value.has(page.value) && faults.value.has(field) ? t(`first.fault.${field}`) : ''
const countries = computed(() => countriesIn(locale.value).map((c) => ({ ...c })))
const zones = Intl.supportedValuesOf('timeZone').map((z) => ({ value: z, label: z.replaceAll('_', ' ') }))
const follows = computed(() => {
  const { country } = draft.value
  if (country === null) return ''
  const { units, hasOwnRules } = byCountry(country)
  const name = countries.value.find((c) => c.value === country)?.label ?? country
  return [t(`first.units.${units}`), hasOwnRules ? '' : t('first.noRules', { country: name })].join(' ')
})

function next(): void {
  tried.value.add(page.value)
  if (!isWhole(page.value)) return
  const after = pages[at.value + 1]
  if (after) page.value = after
  else void found()
}
const back = () => (page.value = pages[at.value - 1] ?? 'code')

async function found(): Promise<void> {
  busy.value = true
  refused.value = ''
  try {
    await session.found(foundingOf(draft.value, deviceId()))
    await router.replace('/house/start')
  } catch (error) {
    refused.value = refusalText(error)
    if (error instanceof Refusal && error.code === 'wrong_code') {
      refused.value = t('first.wrongCode')
      draft.value.code = ''
      page.value = 'code'
    }
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <main class="first">
    <header>
      <h1>{{ t(`first.title.${page}`) }}</h1>
      <p class="quiet">
        {{ t('first.page', { n: at + 1, of: pages.length }) }} · {{ t(`first.how.${page}`) }}
      </p>
    </header>
    <form class="house-form" @submit.prevent="next">
      <p v-if="refused" class="fault" role="alert">{{ refused }}</p>
      <section v-if="page === 'code'" class="entry-two">
        <text-field v-model="draft.tablet" :name="t('people.enrol.name')" :fault="fault('tablet')" large />
        <digits-entry
          id="setup-code"
          v-model="draft.code"
          autofocus
          :label="t('people.enrol.code')"
          :longest="8"
          :wrong="fault('code')"
        />
      </section>
      <section v-else-if="page === 'site'" class="fields">
        <text-field v-model="draft.site" :name="t('first.site')" :fault="fault('site')" large />
        <div>
          <span class="name">{{ t('first.country') }}</span>
          <n-select
            v-model:value="draft.country"
            filterable
            size="large"
            :options="countries"
            :placeholder="t('first.country')"
            :aria-label="t('first.country')"
          />
          <span class="fault">{{ fault('country') }}</span>
        </div>
        <div>
          <span class="name">{{ t('first.timeZone') }}</span>
          <n-select
            v-model:value="draft.timeZone"
            filterable
            size="large"
            :options="zones"
            :aria-label="t('first.timeZone')"
          />
        </div>
        <p v-if="follows" class="wide quiet" role="status">{{ follows }}</p>
        <found-hours v-model="draft" class="wide" :hours="fault('hours')" :week="fault('week')" />
      </section>
      <section v-else class="entry-two">
        <div class="entry-form">
          <text-field v-model="draft.name" :name="t('first.name')" :fault="fault('name')" large />
          <text-field
            :model-value="draft.login"
            :name="t('first.login')"
            :example="loginOf(draft)"
            :fault="fault('login')"
            large
            @update:model-value="(login: string) => (draft.login = login)"
          />
          <text-field
            v-model="draft.password"
            type="password"
            :name="t('first.password')"
            :fault="fault('password')"
            large
          />
          <p class="quiet small">{{ t('first.secrets') }}</p>
        </div>
        <digits-entry
          id="own-pin"
          v-model="draft.pin"
          secret
          :label="t('first.pin')"
          :longest="8"
          :wrong="fault('pin')"
        />
      </section>
      <footer>
        <n-button v-if="at > 0" size="large" @click="back">{{ t('first.back') }}</n-button>
        <n-button type="primary" size="large" attr-type="submit" :loading="busy">
          {{ at === pages.length - 1 ? t('first.found') : t('first.next') }}
        </n-button>
      </footer>
    </form>
  </main>
</template>

<style scoped>
.first {
  max-width: 1040px;
  margin: 0 auto;
  padding: 28px var(--gutter) 20px;
}
h1 {
  font-size: 34px;
}
.fields {
  max-width: 900px;
}
footer {
  display: flex;
  justify-content: flex-end;
  gap: 14px;
  margin-top: 18px;
}
footer :deep(button) {
  min-width: 180px;
}
</style>
