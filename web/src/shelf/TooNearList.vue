<script setup lang="ts">
import type { TooNear, WrongSlot } from '@tadka/core/shelf'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useChemicalStore } from './chemical-store.ts'

/** What stands too near what it must not meet, each with the way to put it right; dangers first. */
const emit = defineEmits<{ made: [draft: AnyDraft] }>()
const { t } = useI18n()
const session = useSession()
const store = useChemicalStore()
const { told } = store
const keyOf = (n: TooNear) => [n.at, n.under, n.product, n.with === 'product' ? n.other : n.with].join(' ')
/** Either of the two may go elsewhere; what is in a slot stays where it is. */
function movable(n: TooNear) {
  const both = [
    { product: n.product, from: n.at },
    ...(n.with === 'product' ? [{ product: n.other, from: n.under }] : []),
  ]
  return both
    .filter(({ product, from }) => store.places.value.some((p) => p.id === from && product in p.stands))
    .map((m) => ({ ...m, to: store.apartFor(m.product) }))
}
const ways = (n: TooNear) => movable(n).filter((m) => m.to.length > 0)
const right = (w: WrongSlot) => emit('made', store.filled(w.at, w.mark, w.belongs, w.belongs))
const wrongSaid = (w: WrongSlot) => ({
  ...{ mark: w.mark, place: store.place(w.at) },
  ...{ belongs: store.product(w.belongs), product: store.product(w.product) },
})
</script>

<template>
  <div>
    <section v-if="told.wrong.length > 0" class="danger" role="alert">
      <h2>{{ t('shelf.wrong.title') }}</h2>
      <div v-for="w in told.wrong" :key="w.at + w.mark" class="one">
        <p>
          <b>{{ t('shelf.wrong.line', wrongSaid(w)) }}</b>
        </p>
        <p>{{ t('shelf.wrong.do', wrongSaid(w)) }}</p>
        <n-button v-if="session.mayDo('record')" size="large" @click="right(w)">{{
          t('shelf.wrong.right', wrongSaid(w))
        }}</n-button>
      </div>
    </section>
    <section v-if="told.tooNear.length > 0">
      <h2>{{ t('shelf.near.title') }}</h2>
      <div v-for="n in told.tooNear" :key="keyOf(n)" class="one" :class="{ danger: n.danger }">
        <p>
          <b>{{ store.said(n).what }}</b> {{ store.said(n).why }}
        </p>
        <template v-if="session.mayDo('record')">
          <div v-for="m in ways(n)" :key="m.product" class="ways">
            <span>{{ t('shelf.move', { a: store.product(m.product) }) }}</span>
            <n-button
              v-for="p in m.to"
              :key="p.id"
              @click="emit('made', store.stands(p.id, m.product, true, m.from))"
              >{{ t('shelf.moved', { place: p.name }) }}</n-button
            >
          </div>
          <p v-if="ways(n).length === 0" class="quiet">
            {{ t('shelf.moveNowhere', { a: store.product(n.product) }) }}
          </p>
        </template>
      </div>
    </section>
    <p v-else-if="told.wrong.length === 0" role="status">
      {{ t(told.unread.length + told.nowhere.length > 0 ? 'shelf.fineSoFar' : 'shelf.fine') }}
    </p>
  </div>
</template>

<style scoped>
.one {
  padding: 8px 14px;
  margin: 8px 0;
  border-left: 5px solid var(--close);
  display: grid;
  gap: 8px;
  justify-items: start;
}
.danger {
  border-left-color: var(--out);
}
section.danger > h2,
.danger b {
  color: var(--out);
}
section.danger > .one {
  border-left-color: var(--out);
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
.ways > * {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
}
</style>
