<script setup lang="ts">
import type { HeldList } from '@tadka/contract/record'
import type { AnyRecord } from '@tadka/core/stream'
import { Refusal } from '@tadka/core/refusal'
import { NButton } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import ReasonForm from '../pieces/ReasonForm.vue'
import { ask } from '../wire/api.ts'
import { useNames } from '../site/names.ts'
import { useSentence } from './sentence.ts'
import { useSiteStore } from '../site/site.ts'

/** What came and may not go into the log by itself: a manager lets it in or leaves it out. Nothing of it is thrown away. */
const { t } = useI18n()
const session = useSession()
const site = useSiteStore()
const names = useNames()
const { clock, day } = useTimes()
const { say } = useSentence()
const held = ref<HeldList['held']>([])
const deciding = ref<{ id: string; take: boolean } | null>(null)
const wrong = ref('')
const may = computed(() => session.mayDo('decide-held'))
const path = computed(() => `/api/sites/${session.site}/held`)
const rows = computed(() =>
  held.value.map((h) => {
    const draft = h.draft as AnyRecord
    const at = draft.observedAt + h.clockOffset
    return {
      id: h.id,
      why: h.why,
      who: names.person(draft.by),
      when: `${day(at)} ${clock(at)}`,
      what: say(draft),
    }
  }),
)

async function look(): Promise<void> {
  try {
    held.value = (await ask<HeldList>('GET', path.value)).held
  } catch {
    // Looked again with the next visit of this page.
  }
}
async function decide(reason: string): Promise<void> {
  const { id, take } = deciding.value ?? { id: '', take: false }
  wrong.value = ''
  try {
    const { outcome } = await ask<{ outcome: { outcome: string; message?: string } }>(
      'POST',
      `${path.value}/${id}`,
      {
        take,
        reason,
      },
    )
    if (outcome.outcome === 'refused') wrong.value = outcome.message ?? ''
    else deciding.value = null
    await look()
  } catch (error) {
    wrong.value = error instanceof Refusal ? error.message : t('common.offline')
  }
}
watch(() => site.held, look, { immediate: true })
</script>

<template>
  <section v-if="rows.length > 0" class="held">
    <h2>{{ t('log.held.title') }}</h2>
    <p>{{ t(may ? 'log.held.how' : 'log.held.wait') }}</p>
    <ul>
      <li v-for="h in rows" :key="h.id">
        <span>
          <b>{{ h.when }}, {{ h.who }}: {{ h.what }}</b>
          <br />{{ t(`log.held.why.${h.why}`) }}
        </span>
        <template v-if="may && deciding?.id !== h.id">
          <n-button @click="deciding = { id: h.id, take: true }">{{ t('log.held.take') }}</n-button>
          <n-button @click="deciding = { id: h.id, take: false }">{{ t('log.held.leave') }}</n-button>
        </template>
        <div v-else-if="may" class="deciding">
          <reason-form
            :label="t('log.held.reason')"
            :like="t(deciding?.take ? 'log.held.takeLike' : 'log.held.leaveLike')"
            :act="t(deciding?.take ? 'log.held.take' : 'log.held.leave')"
            @said="decide"
          />
          <p class="wrong" role="alert">{{ wrong }}</p>
          <n-button @click="deciding = null">{{ t('log.held.back') }}</n-button>
        </div>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.held {
  margin: 8px var(--gutter) 16px;
  padding: 14px 18px;
  border-left: 5px solid var(--close);
  background: var(--close-wash);
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  padding: 10px 0;
}
li > span {
  flex: 1 1 360px;
}
.deciding {
  flex: 1 1 100%;
  max-width: 480px;
}
.wrong {
  color: var(--out);
  font-weight: 600;
  min-height: 1.4em;
}
</style>
