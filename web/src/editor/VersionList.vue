<script setup lang="ts">
import type { OwnProcedure, Procedure, PutInForce } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'

/** What can be gone back to: every earlier version of the site's own, and the library's. */
const props = defineProps<{
  own: OwnProcedure | null
  library: Procedure | null
  inForce: Procedure | null
  /** What comes into force on a later day. */
  coming: readonly PutInForce[]
  may: boolean
}>()
const emit = defineEmits<{
  draft: [procedure: Procedure]
  back: [version: number | null, procedure: Procedure, name: string]
}>()
const { t } = useI18n()
const { date } = useTimes()

const all = computed(() => [
  ...(props.library && props.own?.puts.length ? [{ version: null, procedure: props.library }] : []),
  ...(props.own?.versions ?? []).toReversed().map((procedure) => ({ version: procedure.version, procedure })),
])
const nameOf = (version: number | null) =>
  version === null ? t('editor.asItCame') : t('editor.ourVersion', { n: version })
/** The later day that it comes into force on; none where it does not. */
const comesOn = (version: number | null) => props.coming.find((p) => p.version === version)?.from
const isInForce = (p: Procedure) => props.inForce?.id === p.id && props.inForce.version === p.version
</script>

<template>
  <section>
    <h2>{{ t('editor.versions') }}</h2>
    <p v-if="all.length === 0" class="quiet">{{ t('editor.noVersions') }}</p>
    <ul>
      <li v-for="e in all" :key="String(e.version)">
        <span>
          <b>{{ nameOf(e.version) }}</b> {{ e.procedure.name }}
          <span v-if="isInForce(e.procedure)" class="quiet"> · {{ t('editor.compare.inForce') }}</span>
          <span v-if="comesOn(e.version)" class="quiet">
            · {{ t('editor.comesOn', { day: date(comesOn(e.version) ?? '') }) }}</span
          >
        </span>
        <template v-if="may">
          <n-button @click="emit('draft', e.procedure)">{{ t('editor.asDraft') }}</n-button>
          <n-button
            v-if="!isInForce(e.procedure) || coming.length > 0"
            @click="emit('back', e.version, e.procedure, nameOf(e.version))"
            >{{ t('editor.goBack') }}</n-button
          >
        </template>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 12px;
  align-items: center;
  padding: 8px 0;
  border-bottom: 1px solid var(--line-soft);
  max-width: 900px;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
