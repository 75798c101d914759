<script setup lang="ts">
import type { LoggerFile } from '@tadka/contract/logger'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { NButton } from 'naive-ui'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { ask } from '../wire/api.ts'
import FilePick from '../pieces/FilePick.vue'
import LoggerFileView from './LoggerFileView.vue'
import LoggerImport from './LoggerImport.vue'
import TallyMarks from './TallyMarks.vue'

/** Files of loggers: those brought in, and a way to bring in another. */
const props = defineProps<{ station: string }>()
const { t } = useI18n()
const session = useSession()
const site = useSite()
const names = useNames()
const { date, clock } = useTimes()
const may = computed(() => session.mayDo('bring-in'))

const files = ref<LoggerFile[]>([])
const state = ref<'asking' | 'shown' | 'failed'>('asking')
async function look(): Promise<void> {
  try {
    files.value = (await ask<{ files: LoggerFile[] }>('GET', `/api/sites/${session.site}/loggers`)).files
    state.value = 'shown'
  } catch {
    state.value = 'failed'
  }
}
// Somebody else may have brought one in: its record tells.
watch(() => site.all('logger'), look, { immediate: true })

const chosen = ref<File | null>(null)
const open = ref<string | null>(null)
const opened = computed(() => files.value.find((f) => f.id === open.value) ?? null)
function done(id: string | null): void {
  chosen.value = null
  open.value = id
  void look()
}
</script>

<template>
  <logger-import v-if="chosen" :file="chosen" :station="props.station" @done="done" />
  <section v-else>
    <div class="head">
      <h2>{{ t('logger.files') }}</h2>
      <file-pick
        v-if="may"
        :text="t('logger.bring')"
        accept=".csv,.txt,.tsv,text/csv"
        primary
        @pick="(file) => (chosen = file)"
      />
    </div>
    <p class="quiet">{{ t(may ? 'logger.how' : 'logger.mayNot') }}</p>
    <p v-if="state === 'failed'" class="fault">
      {{ t('logger.failed') }} <n-button @click="look">{{ t('dish.again') }}</n-button>
    </p>
    <p v-else-if="state === 'asking'" class="quiet">{{ t('dish.asking') }}</p>
    <p v-else-if="files.length === 0" class="empty">{{ t('logger.none') }}</p>
    <ul v-else>
      <li v-for="f in files" :key="f.id">
        <button type="button" :aria-expanded="f.id === open" @click="open = f.id === open ? null : f.id">
          <span class="name">
            <b>{{ f.imported.name }}</b>
            <span class="quiet">
              {{ names.station(f.imported.station) }},
              {{ t('logger.broughtIn', { when: `${date(f.at)} ${clock(f.at)}` }) }}
            </span>
          </span>
          <span>{{
            t('logger.rows', {
              n: f.imported.summary.rows.toLocaleString('en'),
              from: `${date(f.imported.summary.from)} ${clock(f.imported.summary.from)}`,
              to: `${date(f.imported.summary.to)} ${clock(f.imported.summary.to)}`,
            })
          }}</span>
          <tally-marks :tally="f.imported.cycles?.judged ?? f.imported.passes?.judged ?? null" />
        </button>
        <logger-file-view v-if="opened && f.id === open" :file="opened" @gone="done(null)" />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 16px;
}
.empty {
  padding: 40px 0;
  font-size: 19px;
}
li {
  border-bottom: 1px solid var(--line-soft);
}
li > button {
  width: 100%;
  min-height: 72px;
  padding: 8px 0;
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) minmax(0, 1.3fr) auto;
  gap: 20px;
  align-items: center;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
}
.name b {
  display: block;
  font-size: 19px;
  overflow-wrap: anywhere;
}
.fault {
  color: var(--out);
  font-weight: 600;
}
@media (max-width: 760px) {
  li > button {
    grid-template-columns: 1fr;
    gap: 4px;
  }
}
</style>
