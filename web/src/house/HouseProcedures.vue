<script setup lang="ts">
import { allProcedures, proceduresOf, stepsOf, type Procedure } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../record/site.ts'

/** Every procedure that is known, by family: its wall chart for each station, its options, and the file to take along. */
const { t } = useI18n()
const site = useSite()

const families = computed(() => {
  const names = [...new Set(allProcedures().map((p) => p.family))].toSorted()
  return names.map((family) => ({
    family,
    procedures: proceduresOf(family),
    stations: site
      .all('station')
      .filter((s) => s.plate && (s.plate.family === family || s.plate.family.startsWith(`${family}.`))),
  }))
})

function take(procedure: Procedure): void {
  const file = new Blob([JSON.stringify(procedure, null, 2)], { type: 'application/json' })
  const link = document.createElement('a')
  link.href = URL.createObjectURL(file)
  link.download = `${procedure.id}.v${procedure.version}.json`
  link.click()
  URL.revokeObjectURL(link.href)
}
</script>

<template>
  <section>
    <div v-for="f in families" :key="f.family" class="family">
      <h2>{{ t(`house.family.${f.family}`) }}</h2>
      <ul>
        <li v-for="p in f.procedures" :key="p.id">
          <div>
            <b>{{ p.name }}</b>
            <p class="quiet small">
              {{ t('house.stepsOf', { n: stepsOf(p.nodes).length }) }} ·
              {{ t('chart.version', { n: p.version }) }}
            </p>
            <p v-for="o in p.options ?? []" :key="o.id" class="small">
              {{ o.question }} {{ o.choices.map((c) => c.says).join(' / ') }}. {{ t('house.byDefault') }}:
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
          </div>
        </li>
      </ul>
    </div>
  </section>
</template>

<style scoped>
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
    grid-template-columns: 1fr;
  }
  .acts {
    justify-content: flex-start;
  }
}
</style>
