<script setup lang="ts">
import { allergensBetween, asksFullClean, type Allergen } from '@tadka/core/house'
import type { StationState } from '@tadka/core/procedure'
import { NButton, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'
import { useReruns } from '../rerun/reruns.ts'

/** Another mix goes into a machine next: what its allergens ask for is said before anybody decides. */
const props = defineProps<{ station: StationState }>()
const { t } = useI18n()
const site = useSite()
const { mixes, mixesOf, nameOf } = useReruns()

const held = computed(() => props.station.holds?.mixes ?? [])
const next = ref<string | null>(null)
const options = computed(() =>
  mixes.value
    .filter((m) => held.value.length !== 1 || m.id !== held.value[0])
    .map((m) => ({ value: m.id, label: nameOf([m.id]) })),
)
const list = (all: readonly Allergen[]) => all.map((a) => t(`rerun.allergen.${a}`)).join(', ')
const says = computed(() => {
  if (next.value === null) return ''
  const [was, is] = [mixesOf(held.value), mixesOf([next.value])]
  if (!asksFullClean(was, is)) return t('rerun.next.same')
  const between = allergensBetween(was, is)
  const { leave, come } = between ?? { leave: [], come: [] }
  return [
    ...(between ? [] : [t(held.value.length > 0 ? 'rerun.next.unknown' : 'rerun.next.notNamed')]),
    ...(come.length > 0 ? [t('rerun.next.come', { list: list(come) })] : []),
    ...(leave.length > 0 ? [t('rerun.next.leave', { list: list(leave) })] : []),
    t('rerun.next.clean'),
  ].join(' ')
})
function change(): void {
  if (next.value === null) return
  const { id } = props.station
  site.record('mix.changed@1', { kind: 'station', id }, { station: id, to: [next.value] })
  next.value = null
}
</script>

<template>
  <section v-if="options.length > 0" class="next-mix">
    <h2 class="label">{{ t('rerun.next.title') }}</h2>
    <p v-if="held.length > 0">{{ t('rerun.next.now', { name: nameOf(held) }) }}</p>
    <div class="row">
      <n-select
        v-model:value="next"
        class="which"
        size="large"
        clearable
        :options="options"
        :placeholder="t('rerun.next.choose')"
        :aria-label="t('rerun.next.choose')"
        :virtual-scroll="false"
      />
      <n-button v-if="next !== null" type="primary" size="large" @click="change">{{
        t('rerun.next.change')
      }}</n-button>
    </div>
    <p v-if="says" role="status">{{ says }}</p>
  </section>
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
  margin: 8px 0;
}
.which {
  max-width: 420px;
}
</style>
