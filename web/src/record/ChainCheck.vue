<script setup lang="ts">
import { NButton, NProgress } from 'naive-ui'
import { onScopeDispose, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { Refusal } from '@tadka/core/refusal'
import { useSession } from '../rights/session.ts'
import { askLines } from '../wire/api.ts'

interface Report {
  sound: boolean
  records: number
  faults: ({ what: string } & Record<string, unknown>)[]
}
interface Progress {
  part: 'records' | 'states'
  done: number
  of: number
}

const session = useSession()
const { t, n } = useI18n()
const under = ref<AbortController | null>(null)
const progress = ref<Progress | null>(null)
const told = ref('')
const bad = ref(false)

function wrong([first, ...more]: Report['faults']): string {
  const said = t(`log.fault.${first?.what ?? 'chain'}`, { ...first })
  return `${said} ${more.length > 0 ? t('log.faultMore', { n: more.length }) : t('log.faultAlone')}`
}

function heard(line: Report | Progress): void {
  if ('part' in line) return void (progress.value = line)
  bad.value = !line.sound
  told.value = line.sound ? t('log.sound', { n: line.records }) : wrong(line.faults)
}

async function check(): Promise<void> {
  const stopping = new AbortController()
  under.value = stopping
  told.value = ''
  try {
    await askLines(`/api/sites/${session.site}/verify`, heard, stopping.signal)
    // Without the last line nothing was found out.
    if (!told.value) throw new Refusal('broken')
  } catch (error) {
    bad.value = !stopping.signal.aborted
    if (stopping.signal.aborted) told.value = t('log.verifyStopped')
    else told.value = error instanceof Refusal ? error.message : t('common.offline')
  } finally {
    under.value = null
    progress.value = null
  }
}
onScopeDispose(() => under.value?.abort())

const share = ({ done, of }: Progress) => Math.floor((100 * done) / Math.max(1, of))
</script>

<template>
  <n-button v-if="!under" @click="check">{{ t('log.verify') }}</n-button>
  <n-button v-else @click="under.abort()">{{ t('log.verifyStop') }}</n-button>
  <div v-if="under" class="going">
    <p>
      {{
        progress
          ? t(`log.verifying.${progress.part}`, { done: n(progress.done), of: n(progress.of) })
          : t('log.verifying.begin')
      }}
    </p>
    <n-progress
      type="line"
      :percentage="progress ? share(progress) : 0"
      :show-indicator="false"
      :aria-label="t('log.verify')"
    />
  </div>
  <span role="status" :class="['told', { bad }]">{{ told }}</span>
</template>

<style scoped>
.going {
  min-width: 16rem;
}
.going p {
  margin: 0 0 0.25rem;
}
.told {
  font-weight: 600;
  color: var(--in);
}
.bad {
  color: var(--out);
}
</style>
