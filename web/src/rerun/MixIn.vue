<script setup lang="ts">
import type { RerunState } from '@tadka/core/rerun'
import type { Facts, RunState, StationState } from '@tadka/core/procedure'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import { useSite } from '../site/site.ts'
import RerunCard from './RerunCard.vue'
import { useReruns } from './reruns.ts'

/** What goes into a machine: what was kept is asked for before new mix, and which mix it is. */
const props = defineProps<{ run: RunState; step: string; station: StationState; blocked: boolean }>()
const emit = defineEmits<{ done: [facts: Facts, ...with_: AnyDraft[]] }>()
const { t } = useI18n()
const site = useSite()
const familyOf = (id: string) => site.one('station', id)?.plate?.family
const { mixes, open, stands, nameOf, containsOf, usedDraft } = useReruns()

/** Of this machine, or of one of its kind. */
const kept = computed(() =>
  open.value.filter((r) => familyOf(r.station ?? '') === props.station.plate?.family),
)
const what = ref<Record<string, 'in' | 'stays'>>({})
/** Whether what was said of it can be: what may not be used does not go in, and what is to be thrown out does not stay. */
const isDecided = (r: RerunState) => {
  const { is } = stands(r)
  return what.value[r.id] === 'in' ? is === 'use' : what.value[r.id] === 'stays' && is !== 'throw-out'
}
const undecided = computed(() => kept.value.filter((r) => !isDecided(r)))
const mix = ref<string | null>(props.station.holds?.mixes.at(-1) ?? kept.value[0]?.mixes?.[0] ?? null)
const options = computed(() => [
  ...mixes.value.map((m) => ({ value: m.id, label: nameOf([m.id]) })),
  ...(mixes.value.length > 0 ? [{ value: '', label: t('rerun.notNamed') }] : []),
])
function done(): void {
  const used = kept.value.filter((r) => what.value[r.id] === 'in')
  const ids = [...used.flatMap((r) => r.mixes ?? []), ...(mix.value ? [mix.value] : [])]
  const facts = { mixes: [...new Set(ids)].join(' '), reruns: used.map((r) => r.id).join(' ') }
  emit(
    'done',
    facts,
    ...used.map((r) => usedDraft(r, props.station.id, { run: props.run.id, step: props.step })),
  )
}
</script>

<template>
  <div class="mix-in">
    <section v-if="kept.length > 0">
      <h2 class="label">{{ t('rerun.first') }}</h2>
      <div class="cards">
        <rerun-card v-for="r in kept" :key="r.id" :rerun="r">
          <choice-pick
            v-if="stands(r).is !== 'throw-out'"
            :model-value="what[r.id] ?? null"
            :label="nameOf(r.mixes ?? [])"
            :choices="[
              ...(stands(r).is === 'use' ? [{ value: 'in' as const, text: t('rerun.goesIn') }] : []),
              { value: 'stays' as const, text: t('rerun.stays') },
            ]"
            @update:model-value="(v) => v && (what = { ...what, [r.id]: v })"
          />
        </rerun-card>
      </div>
    </section>
    <label v-if="options.length > 0" class="new">
      {{ t('rerun.newMix') }}
      <n-select
        v-model:value="mix"
        :options="options"
        :aria-label="t('rerun.newMix')"
        :placeholder="t('rerun.notNamed')"
        :virtual-scroll="false"
        size="large"
      />
    </label>
    <p v-if="mix" class="quiet">{{ containsOf([mix]) }}</p>
    <div class="act">
      <n-button type="primary" class="big" :disabled="blocked || undecided.length > 0" @click="done">{{
        t('run.done')
      }}</n-button>
      <p v-if="undecided.length > 0" class="quiet">{{ t('rerun.decideFirst') }}</p>
    </div>
  </div>
</template>

<style scoped>
.mix-in {
  flex: 1 0 auto;
  display: flex;
  flex-direction: column;
  gap: 12px;
  margin-top: 14px;
}
.cards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
  gap: 16px;
}
.new {
  max-width: 420px;
  font-weight: 600;
  color: var(--ink-2);
}
.act {
  margin-top: auto;
  display: flex;
  gap: 18px;
  align-items: center;
}
</style>
