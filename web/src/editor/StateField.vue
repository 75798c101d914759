<script setup lang="ts">
import type { Facets } from '@tadka/core/procedure'
import { NSelect } from 'naive-ui'
import { inject, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Facet } from './fields.ts'
import { useStateWords } from '../site/state-words.ts'
import { mayEdit } from './editing.ts'

/** What a step makes of the machine, side by side: what is left as it was is not told. */
const props = defineProps<{
  label: string
  facets: readonly Facet[]
  /** What it is where nothing is said of a side. */
  unsaid: 'asItWas' | 'notAsked' | 'anything'
}>()
const value = defineModel<Partial<Facets> | undefined>({ required: true })
const { t } = useI18n()
const may = inject(mayEdit, ref(true))
const { valueOf } = useStateWords()

const as = (v: string | boolean) => String(v)
const chosen = (facet: string) => {
  const now = value.value?.[facet as keyof Facets]
  return now === undefined ? 'as-it-was' : String(now)
}
const options = (f: Facet) => [
  { value: 'as-it-was', label: t(`editor.${props.unsaid}`) },
  ...f.of.map((v) => ({ value: as(v), label: valueOf(f.name, v) })),
]
function choose(f: Facet, to: string): void {
  const { [f.name as keyof Facets]: _, ...rest } = value.value ?? {}
  const found = f.of.find((v) => as(v) === to)
  const next = found === undefined ? rest : { ...rest, [f.name]: found }
  value.value = Object.keys(next).length > 0 ? next : undefined
}
</script>

<template>
  <div class="state" role="group" :aria-label="props.label">
    <div v-for="f in facets" :key="f.name">
      <span class="small quiet">{{ t(`editor.facet.${f.name}`) }}</span>
      <n-select
        :disabled="!may"
        :value="chosen(f.name)"
        :options="options(f)"
        :aria-label="`${props.label}: ${t(`editor.facet.${f.name}`)}`"
        :class="{ same: chosen(f.name) === 'as-it-was' }"
        :virtual-scroll="false"
        @update:value="(to: string) => choose(f, to)"
      />
    </div>
  </div>
</template>

<style scoped>
.state {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: 8px 14px;
}
.same {
  opacity: 0.75;
}
</style>
