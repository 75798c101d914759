<script setup lang="ts">
import { readProcedure, type ProcedureFault } from '@tadka/contract/procedure'
import { isOwn, ownCopy, stepsOf, type Procedure } from '@tadka/core/procedure'
import { NButton, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import FilePick from '../pieces/FilePick.vue'
import { saveJson } from '../pieces/save-file.ts'
import OwnForm from './OwnForm.vue'

/** Every procedure that is known, by family: its wall chart for each station, its options, and the file to take along. */
const { t } = useI18n()
const site = useSite()

const procedures = useProcedures()
const session = useSession()
const message = useMessage()
const may = computed(() => session.mayDo('set-up-house'))
const editing = ref<string | null>(null)

const families = computed(() => {
  return procedures.families().map((family) => ({
    family,
    procedures: procedures.of(family),
    stations: site
      .all('station')
      .filter((s) => s.plate && (s.plate.family === family || s.plate.family.startsWith(`${family}.`))),
  }))
})

/** What is wrong with the file that was last offered. */
const faults = ref<readonly ProcedureFault[]>([])
const told = (f: ProcedureFault) =>
  f.kind === 'safety'
    ? `${t(`house.rules_.${f.rule}`)}: ${f.path.slice(-4).join(' → ')}`
    : `${f.at || t('house.wholeFile')}: ${f.why}`

/** Puts a procedure in the log as the site's own, at the version that follows. */
function put(procedure: Procedure): void {
  const own = ownCopy(procedure, site.one('procedure', ownCopy(procedure, []).id)?.versions ?? [])
  site.record('procedure.set@1', { kind: 'procedure', id: own.id }, { document: own })
  message.success(t('house.saved'))
  editing.value = null
}
async function bring(file: File): Promise<void> {
  try {
    const read = readProcedure(JSON.parse(await file.text()))
    faults.value = read.faults
    if (read.procedure) put(read.procedure)
  } catch {
    faults.value = [{ kind: 'shape', at: '', why: t('house.notJson') }]
  }
}

const take = (procedure: Procedure) => saveJson(procedure, `${procedure.id}.v${procedure.version}.json`)
</script>

<template>
  <section>
    <div v-if="may" class="bring">
      <file-pick :text="t('house.bring')" accept="application/json,.json" @pick="bring" />
      <p class="quiet small">{{ t('house.bringHow') }}</p>
      <ul v-if="faults.length > 0" role="alert">
        <li v-for="(f, i) in faults.slice(0, 8)" :key="i" class="fault">{{ told(f) }}</li>
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
              {{ o.question }} {{ o.choices.map((c) => c.says).join(' / ') }}. {{ t('practices.default') }}:
              {{ o.choices.find((c) => c.id === o.fallback)?.says }}. <span class="quiet">{{ o.why }}</span>
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
            <n-button v-if="may" @click="editing = editing === p.id ? null : p.id">
              {{ t(isOwn(p.id) ? 'house.change' : 'house.ownCopy') }}
            </n-button>
          </div>
          <own-form
            v-if="editing === p.id"
            class="whole"
            :procedure="p"
            @keep="put"
            @close="editing = null"
          />
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
.bring {
  padding: 8px 0 14px;
}
.fault {
  display: block;
  color: var(--out);
  font-weight: 600;
}
.whole {
  grid-column: 1 / -1;
}
.family {
  padding: 10px 0 18px;
}
h2 {
  font-size: 20px;
}
li {
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
  li {
    grid-template-columns: minmax(0, 1fr);
  }
  .acts {
    justify-content: flex-start;
  }
}
</style>
