<script setup lang="ts">
import { coldStore } from '@tadka/core/house'
import { pestPoints, usualPoints, type PointAsk, type RoundPoint } from '@tadka/core/round'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoundWords } from '../round/round-words.ts'
import AreaField from '../site/AreaField.vue'
import { useSite } from '../site/site.ts'
import { newId } from '../wire/device.ts'

/** What a round looks at, in the order of the walk: an area is named, then what is looked at there. */
const points = defineModel<readonly RoundPoint[]>({ required: true })
const { t } = useI18n()
const site = useSite()
const { asks } = useRoundWords()

const area = ref('')
const own = ref('')
const tried = ref(false)
const where = computed(() => area.value.trim())
const same = (a: PointAsk, b: PointAsk) => JSON.stringify(a) === JSON.stringify(b)
const has = (ask: PointAsk) => points.value.some((p) => p.area === where.value && same(p.ask, ask))
/** Every cold store of the site, and all that rounds usually look at, less what is looked at there already. */
const offered = computed((): PointAsk[] => [
  ...site
    .all('station')
    .filter((s) => s.plate?.family === coldStore && s.laidUp === null)
    .map((s) => ({ kind: 'read' as const, station: s.id })),
  ...usualPoints.map((what) => ({ kind: 'usual' as const, what })),
])
/** Behind the last point of its area, so that the walk stays one. */
function add(...asked: readonly PointAsk[]): void {
  tried.value = true
  if (where.value === '') return
  const fresh = asked.filter((ask) => !has(ask)).map((ask) => ({ id: newId(), area: where.value, ask }))
  const last = points.value.findLastIndex((p) => p.area === where.value)
  const at = last < 0 ? points.value.length : last + 1
  points.value = points.value.toSpliced(at, 0, ...fresh)
}
function addOwn(): void {
  const say = own.value.trim()
  if (say.length < 3) return
  add({ kind: 'own', say })
  if (where.value !== '') own.value = ''
}
const remove = (id: string) => (points.value = points.value.filter((p) => p.id !== id))
function earlier(i: number): void {
  const [point] = points.value.slice(i, i + 1)
  if (point && i > 0) points.value = points.value.toSpliced(i, 1).toSpliced(i - 1, 0, point)
}
</script>

<template>
  <div class="points">
    <p class="name">{{ t('round.set.points') }}</p>
    <p v-if="points.length === 0" class="quiet">{{ t('round.set.noPoints') }}</p>
    <ol>
      <li v-for="(p, i) in points" :key="p.id">
        <span
          ><b>{{ p.area }}</b> {{ asks(p.ask) }}</span
        >
        <n-button
          :disabled="i === 0"
          :aria-label="`${t('round.set.up')}: ${asks(p.ask)}`"
          @click="earlier(i)"
          >{{ t('round.set.up') }}</n-button
        >
        <n-button :aria-label="`${t('round.set.remove')}: ${asks(p.ask)}`" @click="remove(p.id)">{{
          t('round.set.remove')
        }}</n-button>
      </li>
    </ol>
    <fieldset>
      <legend>{{ t('round.set.add') }}</legend>
      <area-field
        v-model="area"
        :label="t('round.set.area')"
        :example="t('round.set.areaLike')"
        :also="points.map((p) => p.area)"
      />
      <p v-if="tried && where === ''" class="fault" role="alert">{{ t('round.set.fault.area') }}</p>
      <div class="usual" role="group" :aria-label="t('round.set.usual')">
        <n-button
          v-for="ask in offered"
          :key="JSON.stringify(ask)"
          :disabled="has(ask)"
          class="one"
          @click="add(ask)"
          >{{ asks(ask) }}</n-button
        >
        <n-button class="one" @click="add(...pestPoints.map((what) => ({ kind: 'usual' as const, what })))">{{
          t('round.set.pests')
        }}</n-button>
      </div>
      <div class="own">
        <n-input
          v-model:value="own"
          size="large"
          :placeholder="t('round.set.ownLike')"
          :input-props="{ 'aria-label': t('round.set.own') }"
          maxlength="160"
          @keydown.enter.prevent="addOwn"
        />
        <n-button size="large" :disabled="own.trim().length < 3" @click="addOwn">{{
          t('round.set.addOwn')
        }}</n-button>
      </div>
    </fieldset>
  </div>
</template>

<style scoped>
.points {
  display: grid;
  gap: 10px;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 12px;
  align-items: center;
  min-height: 56px;
  border-bottom: 1px solid var(--line-soft);
}
.usual {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 12px 0;
}
.one {
  min-height: 48px;
  height: auto;
  padding: 8px 14px;
  white-space: normal;
  text-align: left;
}
.own {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 12px;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: 1fr 1fr;
    padding: 8px 0;
  }
  li span {
    grid-column: 1 / -1;
  }
}
</style>
