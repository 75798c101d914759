<script setup lang="ts">
import type { OwnInspection } from '@tadka/contract/people'
import { useEventListener } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRefusalText } from '../rights/refusal-text.ts'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { ask } from '../wire/api.ts'
import { now } from '../wire/clock.ts'
import ChainCheck from './ChainCheck.vue'
import LogList from './LogList.vue'

/** What an inspector's link opens: the log of its period, read only, until it ends. */
const { t } = useI18n()
const session = useSession()
const site = useSite()
const { clock, day } = useTimes()
const refusalText = useRefusalText()

const own = ref<OwnInspection | null>(null)
const refused = ref('')
/** Its time is over while it is open: nothing more is read. */
const isOver = computed(() => own.value !== null && now() >= own.value.endsAt)
const name = computed(() => site.set?.name ?? '')

async function open(): Promise<void> {
  refused.value = ''
  try {
    const token = window.location.hash.slice(1)
    // A link is opened once; what it opened stays until it ends.
    if (token) await session.inspect(token)
    else await session.load()
    // The address is no secret any more that somebody could read over a shoulder.
    window.history.replaceState(window.history.state, '', '/inspect')
    own.value = await ask<OwnInspection>('GET', `/api/sites/${session.site}/inspection`)
    await site.lookAt()
  } catch (error) {
    refused.value = refusalText(error)
  }
}
onMounted(open)
// Another link in the same window.
useEventListener(window, 'hashchange', () => window.location.hash !== '' && open())
</script>

<template>
  <main class="inspect">
    <p v-if="refused || isOver" class="refused" role="alert">{{ refused || t('inspect.over') }}</p>
    <template v-else-if="own && site.loaded">
      <header>
        <h1>{{ t('inspect.log', { site: name }) }}</h1>
        <p>
          {{ t('inspect.period', { from: day(own.from) }) }}
          {{ t('inspect.ends', { time: `${day(own.endsAt)} ${clock(own.endsAt)}` }) }}
        </p>
      </header>
      <log-list><chain-check /></log-list>
    </template>
    <p v-else class="quiet" role="status">{{ t('common.loading') }}</p>
  </main>
</template>

<style scoped>
.inspect {
  height: 100%;
  overflow: auto;
  padding: 20px 0 40px;
}
header {
  padding: 0 var(--gutter) 8px;
}
h1 {
  font-size: 28px;
}
.refused,
.quiet {
  padding: 60px var(--gutter);
  font-size: 20px;
}
</style>
