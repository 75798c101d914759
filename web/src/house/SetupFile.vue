<script setup lang="ts">
import type { SiteFileDone } from '@tadka/contract/house'
import type { SiteFile, SiteFileFault } from '@tadka/core/house'
import { Refusal } from '@tadka/core/refusal'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import FilePick from '../pieces/FilePick.vue'
import { saveJson } from '../pieces/save-file.ts'
import { useRefusalText } from '../rights/refusal-text.ts'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { ask } from '../wire/api.ts'
import { useFamilyName } from '../site/family-name.ts'
import { familyBy, readJson, readTable, type FileFault, type ReadFile } from './read-site-file.ts'

/** The set-up from a file, and as one: what it would do is told first, and it is taken whole or not at all. */
const { t } = useI18n()
const session = useSession()
const site = useSite()
const { one, short } = useFamilyName()
const refusalText = useRefusalText()

const faults = ref<readonly FileFault[]>([])
const refused = ref('')
const busy = ref(false)
const tried = ref<{
  file: SiteFile
  would: SiteFileDone
  lineOf: (path: SiteFileFault['path']) => number | null
} | null>(null)
const done = ref<SiteFileDone | null>(null)
const path = computed(() => `/api/sites/${session.site}/set-up`)
const parts = ['stations', 'products', 'instruments', 'spares', 'mixes', 'procedures', 'people'] as const

const read = async (file: File): Promise<ReadFile> => {
  const text = await file.text()
  if (!/\.csv$/i.test(file.name) && !/^text\/csv/.test(file.type)) return readJson(text)
  const stations = site
    .every('station')
    .flatMap((s) => (s.plate ? [{ id: s.id, name: s.plate.name, tag: s.plate.tag }] : []))
  return readTable(text, {
    units: site.set?.units ?? 'metric',
    model: t('machines.model'),
    family: familyBy((id) => [one(id), short(id)]),
    stations,
  })
}

/** Asks the server, and tells what it refuses by the file's lines. */
async function send(
  file: SiteFile,
  isTried: boolean,
  lineOf: (path: SiteFileFault['path']) => number | null,
) {
  busy.value = true
  try {
    return await ask<SiteFileDone>('POST', path.value, { file, try: isTried })
  } catch (error) {
    const found = error instanceof Refusal ? error.details['faults'] : null
    refused.value = refusalText(error)
    if (error instanceof Refusal && error.code === 'site_file_wrong' && Array.isArray(found))
      faults.value = (found as SiteFileFault[]).map((f) => ({
        line: lineOf(f.path),
        why: f.why,
        what: f.what,
        at: f.path.join('.'),
      }))
    return null
  } finally {
    busy.value = false
  }
}

async function pick(file: File): Promise<void> {
  faults.value = []
  refused.value = ''
  tried.value = null
  done.value = null
  const got = await read(file)
  if ('faults' in got) {
    refused.value = t('setup.file.refused')
    faults.value = got.faults
    return
  }
  const would = await send(got.file, true, got.lineOf)
  if (would) tried.value = { ...got, would }
}
async function takeIn(): Promise<void> {
  if (!tried.value) return
  const { file, lineOf } = tried.value
  const taken = await send(file, false, lineOf)
  if (!taken) return
  tried.value = null
  done.value = taken
  await session.openDoor().catch(() => {})
}
const cancel = () => (tried.value = null)

async function giveOut(): Promise<void> {
  try {
    saveJson(await ask<SiteFile>('GET', path.value), `${session.site}-set-up.json`)
  } catch (error) {
    refused.value = refusalText(error)
  }
}

/** What it adds, changes and leaves, part by part. */
const lines = (of: SiteFileDone) => [
  ...parts.flatMap((part) => {
    const counts = (['added', 'changed', 'same'] as const)
      .filter((how) => of[part][how] > 0)
      .map((how) => t(`setup.file.${how}`, { n: of[part][how] }))
    return counts.length > 0 ? `${t(`setup.file.part.${part}`)}: ${counts.join(', ')}` : []
  }),
  ...(of.site ? [t('setup.file.day')] : []),
]
const isNothing = (of: SiteFileDone) => !of.site && parts.every((p) => of[p].added + of[p].changed === 0)
const told = (f: FileFault) =>
  [
    f.line === null ? '' : t('setup.file.line', { n: f.line }),
    f.why === 'shape' ? `${f.at}: ${f.what}` : t(`setup.file.why.${f.why}`, { what: f.what }),
  ]
    .filter(Boolean)
    .join(': ')
</script>

<template>
  <section class="from-file">
    <h2>{{ t('setup.file.title') }}</h2>
    <p class="quiet">{{ t('setup.file.how') }}</p>
    <div class="acts">
      <file-pick :text="t('setup.file.bring')" accept=".json,.csv,application/json,text/csv" @pick="pick" />
      <n-button @click="giveOut">{{ t('setup.file.give') }}</n-button>
    </div>
    <div v-if="refused" class="wrong" role="alert">
      <p>{{ refused }}</p>
      <ul>
        <li v-for="(f, i) in faults.slice(0, 12)" :key="i">{{ told(f) }}</li>
      </ul>
      <p v-if="faults.length > 12">{{ t('setup.file.more', { n: faults.length - 12 }) }}</p>
    </div>
    <div v-if="tried" role="status">
      <p v-for="l in lines(tried.would)" :key="l">{{ l }}</p>
      <p v-if="isNothing(tried.would)">{{ t('setup.file.nothing') }}</p>
      <div v-else class="acts">
        <n-button type="primary" size="large" :loading="busy" @click="takeIn">{{
          t('setup.file.take')
        }}</n-button>
        <n-button size="large" @click="cancel">{{ t('common.cancel') }}</n-button>
      </div>
    </div>
    <div v-if="done" role="status">
      <p>
        <b>{{ t('setup.file.done') }}</b>
      </p>
      <template v-if="done.pins.length > 0">
        <p>{{ t('setup.file.pins') }}</p>
        <ul class="pins">
          <li v-for="p in done.pins" :key="p.id">
            {{ p.name }}: <b>{{ p.pin }}</b>
          </li>
        </ul>
      </template>
    </div>
  </section>
</template>

<style scoped>
.from-file {
  padding: 18px 0;
  display: grid;
  gap: 10px;
}
h2 {
  font-size: 21px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  padding: 6px 0;
}
.wrong {
  color: var(--out);
  font-weight: 600;
  border-left: 4px solid var(--out);
  padding-left: 12px;
}
.pins {
  columns: 3 200px;
}
</style>
