<script setup lang="ts">
import type { ProcedureFault } from '@tadka/contract/procedure'
import { procedureSchema } from '@tadka/contract/procedure'
import { baseOf, freeId, isOwn, ownId, servesFamily, stepsOf, type Procedure } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import { draftsHere, dropDraft, keepDraft } from '../editor/draft.ts'
import FilePick from '../pieces/FilePick.vue'
import { saveJson } from '../pieces/save-file.ts'
import { useSession } from '../rights/session.ts'
import { useProcedures } from '../site/procedures.ts'
import { askedOf } from '../site/step-words.ts'
import { useSite } from '../site/site.ts'
import ChoiceField from './ChoiceField.vue'
import TextField from '../pieces/TextField.vue'

/** Every procedure that is worked to, by family: its wall chart for each station, its options, its editor, and the file to take along. */
const { t } = useI18n()
const site = useSite()
const router = useRouter()
const procedures = useProcedures()
const session = useSession()
const may = computed(() => session.mayDo('set-procedures'))

const families = computed(() => {
  return procedures.families().map((family) => ({
    family,
    procedures: procedures.of(family),
    stations: site.all('station').filter((s) => s.plate && servesFamily({ family }, s.plate.family)),
  }))
})

/** What is wrong with the file that was last offered. */
const faults = ref<readonly ProcedureFault[]>([])
const told = (f: ProcedureFault) => (f.kind === 'safety' ? '' : `${f.at || t('house.wholeFile')}: ${f.why}`)

/** What is brought in is looked at, mended and tried before it is in force. */
async function bring(file: File): Promise<void> {
  try {
    const read = procedureSchema.safeParse(JSON.parse(await file.text()))
    faults.value = read.success
      ? []
      : read.error.issues.map((i) => ({ kind: 'shape', at: i.path.join('.'), why: i.message }))
    if (read.success) open(read.data)
  } catch {
    faults.value = [{ kind: 'shape', at: '', why: t('house.notJson') }]
  }
}
const drafts = ref(draftsHere(session.site))
/** What was brought in, where another draft of it is here. */
const instead = ref<Procedure | null>(null)
function open(procedure: Procedure): void {
  const own = { ...procedure, id: ownId(procedure.id) }
  if (drafts.value.some((d) => ownId(d.id) === own.id)) instead.value = own
  else replace(own)
}
function replace(own: Procedure): void {
  keepDraft(session.site, own)
  goTo(own)
}
const goTo = (procedure: Procedure) => void router.push(`/house/procedure/${procedure.id}`)
function throwAway(procedure: Procedure): void {
  dropDraft(session.site, procedure.id)
  drafts.value = draftsHere(session.site)
}

const adding = ref(false)
const name = ref('')
const family = ref<string | null>(null)
const kinds = computed(() =>
  procedures.families().map((value) => ({ value, label: t(`house.family.${value}`) })),
)
/** A procedure that nobody has thought of yet: one step to begin with. */
function make(): void {
  const title = name.value.trim()
  if (title === '' || family.value === null) return
  // Under a name of the library's it would stand in for that one.
  const taken = [...drafts.value, ...site.all('procedure'), ...procedures.of(family.value)]
  const id = freeId(
    taken.map((p) => baseOf(p.id).replace(`${family.value}.`, '')),
    title.toLowerCase(),
  )
  open({
    id: ownId(`${family.value}.${id}`),
    version: 1,
    name: title,
    family: family.value,
    nodes: [{ id: 'do', kind: 'do', title: t('editor.newTitle.do') }],
    parameters: {},
    materials: [],
    cautions: [],
  })
}
const take = (procedure: Procedure) => saveJson(procedure, `${procedure.id}.v${procedure.version}.json`)
</script>

<template>
  <section>
    <div v-if="may" class="bring">
      <n-button v-if="!adding" @click="adding = true">{{ t('house.newProcedure') }}</n-button>
      <file-pick :text="t('house.bring')" accept="application/json,.json" @pick="bring" />
      <p class="quiet small">{{ t('house.bringHow') }}</p>
      <form v-if="adding" class="make" @submit.prevent="make">
        <text-field v-model="name" :name="t('house.label.name')" :most="80" />
        <choice-field v-model="family" :name="t('house.forWhich')" :options="kinds" />
        <div class="acts">
          <n-button type="primary" attr-type="submit" :disabled="name.trim() === '' || family === null">{{
            t('house.makeProcedure')
          }}</n-button>
          <n-button @click="adding = false">{{ t('common.cancel') }}</n-button>
        </div>
      </form>
      <ul v-if="faults.length > 0" role="alert">
        <li v-for="(f, i) in faults.slice(0, 8)" :key="i" class="fault">{{ told(f) }}</li>
      </ul>
    </div>
    <p v-if="instead" class="there" role="alert">
      <span>{{ t('house.draftThere', { name: instead.name }) }}</span>
      <n-button type="primary" @click="replace(instead)">{{ t('house.draftReplace') }}</n-button>
      <n-button @click="instead = null">{{ t('house.draftKeep') }}</n-button>
    </p>
    <div v-if="may && drafts.length > 0" class="family">
      <h2>{{ t('house.drafts') }}</h2>
      <ul>
        <li v-for="d in drafts" :key="d.id">
          <div>
            <b>{{ d.name }}</b>
            <p class="quiet small">{{ t(`house.family.${d.family}`) }}</p>
          </div>
          <div class="acts">
            <n-button @click="throwAway(d)">{{ t('editor.drop') }}</n-button>
            <n-button type="primary" @click="goTo(d)">{{ t('house.draftGoOn') }}</n-button>
          </div>
        </li>
      </ul>
    </div>
    <div v-for="f in families" :key="f.family" class="family">
      <h2>{{ t(`house.family.${f.family}`) }}</h2>
      <ul>
        <li v-for="p in f.procedures" :key="p.id">
          <div>
            <b>{{ p.name }}</b> <span v-if="isOwn(p.id)" class="quiet">{{ t('house.ours') }}</span>
            <p class="quiet small">
              {{ t('house.stepsOf', { n: stepsOf(p.nodes).length }) }} ·
              {{ t('chart.version', { n: p.version }) }}
            </p>
            <p v-for="o in p.options ?? []" :key="o.id" class="small">
              {{ askedOf(o.question) }} {{ o.choices.map((c) => c.says).join(' / ') }}.
              {{ t('practices.default') }}: {{ o.choices.find((c) => c.id === o.fallback)?.says }}.
              <span class="quiet">{{ o.why }}</span>
            </p>
          </div>
          <div class="acts">
            <router-link
              v-for="s in f.stations"
              :key="s.id"
              :to="{ path: `/chart/${p.id}`, query: { station: s.id } }"
            >
              {{ t('chart.of', { station: s.plate?.name ?? s.id }) }}
            </router-link>
            <n-button @click="take(p)">{{ t('chart.file') }}</n-button>
            <n-button @click="router.push(`/house/procedure/${p.id}`)">
              {{ t(may ? 'house.openProcedure' : 'house.lookProcedure') }}
            </n-button>
          </div>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.bring {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  padding: 8px 0 14px;
}
.make {
  flex: 1 0 100%;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) auto;
  gap: 14px;
  align-items: end;
}
.there {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  border-left: 5px solid var(--close);
  padding-left: 14px;
}
.fault {
  display: block;
  color: var(--out);
  font-weight: 600;
}
.family {
  padding: 10px 0 18px;
}
h2 {
  font-size: 20px;
}
.family li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 24px;
  align-items: center;
  padding: 10px 0;
  border-bottom: 1px solid var(--line-soft);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
  justify-content: flex-end;
}
.acts a {
  font-weight: 600;
  min-height: 48px;
  display: flex;
  align-items: center;
}
@media (max-width: 760px) {
  .family li,
  .make {
    grid-template-columns: minmax(0, 1fr);
  }
  .acts {
    justify-content: flex-start;
  }
}
</style>
