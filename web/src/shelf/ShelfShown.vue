<script setup lang="ts">
import { nearAt } from '@tadka/core/shelf'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import ProductPick from './ProductPick.vue'
import SlotFill from './SlotFill.vue'
import { useChemicalStore, type Place } from './chemical-store.ts'

/** One place, as it is looked at: a board with what stands on it, or a dispenser with its slots. */
const props = defineProps<{ place: Place }>()
const emit = defineEmits<{ made: [draft: AnyDraft] }>()
const { t } = useI18n()
const site = useSite()
const session = useSession()
const store = useChemicalStore()
const isOpen = ref(false)
const put = ref<string | null>(null)
const filling = ref<string | null>(null)
const shelf = computed(() => props.place.shelf)
const standing = computed(() =>
  Object.keys(props.place.stands).toSorted((a, b) => store.product(a).localeCompare(store.product(b))),
)
const others = computed(() => store.products.value.filter((p) => !(p.id in props.place.stands)))
const bad = computed(() =>
  put.value === null ? [] : nearAt(props.place.id, put.value, site.all('shelf'), store.products.value),
)
const better = computed(() =>
  put.value === null
    ? ''
    : store
        .apartFor(put.value)
        .map((p) => p.name)
        .join(', '),
)
const notes = computed(() => [
  ...(shelf.value.over ? [t('shelf.over', { name: store.place(shelf.value.over) })] : []),
  ...shelf.value.beside.map((b) => t(`shelf.with.${b}`)),
  ...(shelf.value.partitioned ? [t('shelf.trays')] : []),
])
function away(product: string): void {
  emit('made', store.stands(props.place.id, product, false))
}
function keep(): void {
  if (put.value === null) return
  emit('made', store.stands(props.place.id, put.value, true))
  put.value = null
}
function filled(mark: string, belongs: string, product: string): void {
  emit('made', store.filled(props.place.id, mark, belongs, product))
  filling.value = null
}
const inSlot = (mark: string, belongs: string) => props.place.filled[mark]?.product ?? belongs
</script>

<template>
  <div class="shelf">
    <button type="button" class="board" :aria-expanded="isOpen" @click="isOpen = !isOpen">
      <span v-if="shelf.kind === 'shelf'" class="goods">
        <span v-for="id in standing" :key="id" class="good">{{ store.product(id) }}</span>
        <span v-if="standing.length === 0" class="quiet">{{ t('shelf.nothing') }}</span>
      </span>
      <span v-else class="goods slots">
        <span v-for="s in shelf.slots" :key="s.mark" class="good slot">
          <b>{{ s.mark }}</b> {{ store.product(inSlot(s.mark, s.product)) }}
        </span>
      </span>
      <span class="plank">
        <b>{{ shelf.name }}</b>
        <span class="quiet small">{{ notes.join(', ') }}</span>
        <span class="more" aria-hidden="true">{{ isOpen ? '−' : '+' }}</span>
      </span>
    </button>
    <div v-if="isOpen" class="open">
      <template v-if="shelf.kind === 'dispenser'">
        <div v-for="s in shelf.slots" :key="s.mark" class="line">
          <span>
            <b>{{ t('shelf.slot.is', { mark: s.mark }) }}</b>
            {{ t('shelf.slot.for', { name: store.product(s.product) }) }}
          </span>
          <n-button
            v-if="session.mayDo('record')"
            :aria-expanded="filling === s.mark"
            @click="filling = filling === s.mark ? null : s.mark"
            >{{ t('shelf.slot.fill') }}</n-button
          >
          <slot-fill
            v-if="filling === s.mark"
            class="wide"
            :mark="s.mark"
            :belongs="s.product"
            @filled="(product) => filled(s.mark, s.product, product)"
            @cancel="filling = null"
          />
        </div>
      </template>
      <div v-for="id in standing" :key="id" class="line">
        <span>{{ t('shelf.isHere', { name: store.product(id) }) }}</span>
        <n-button v-if="session.mayDo('record')" @click="away(id)">{{ t('shelf.away') }}</n-button>
      </div>
      <template v-if="session.mayDo('record') && shelf.kind === 'shelf'">
        <product-pick v-model="put" :products="others" :label="t('shelf.putWhat')" />
        <template v-if="put">
          <div v-if="bad.length > 0" class="bad" role="alert">
            <b>{{ t('shelf.putBad') }}</b>
            <p v-for="(n, i) in bad" :key="i">{{ `${store.said(n).what} ${store.said(n).why}` }}</p>
            <p v-if="better">{{ t('shelf.better', { places: better }) }}</p>
          </div>
          <n-button :type="bad.length > 0 ? 'default' : 'primary'" size="large" class="own" @click="keep">{{
            t(bad.length > 0 ? 'shelf.putAnyway' : 'shelf.putHere')
          }}</n-button>
        </template>
      </template>
      <slot />
    </div>
  </div>
</template>

<style scoped>
.board {
  display: block;
  width: 100%;
  padding: 14px 0 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.goods {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 10px;
  min-height: 56px;
  padding: 0 12px;
}
/* A container on its board. */
.good {
  border: 2px solid var(--ink-2);
  border-bottom-width: 0;
  border-radius: 10px 10px 0 0;
  padding: 12px 14px 8px;
  background: var(--raised);
  font-weight: 600;
  max-width: 240px;
}
.slot {
  border-radius: 0 0 10px 10px;
  border-width: 0 2px 2px;
}
.slots {
  align-items: start;
  border-top: 6px solid var(--ink-2);
}
.plank {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
  border-top: 6px solid var(--ink-2);
  padding: 6px 12px 12px;
}
.slots + .plank {
  border-top: 0;
}
.more {
  margin-left: auto;
  font-size: 24px;
  line-height: 1;
}
.open {
  display: grid;
  gap: 10px;
  padding: 4px 12px 20px;
  justify-items: start;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: center;
  justify-content: space-between;
  width: 100%;
  max-width: 640px;
  min-height: 52px;
  border-bottom: 1px solid var(--line-soft);
}
.wide {
  flex: 1 0 100%;
}
.bad {
  border-left: 5px solid var(--out);
  padding: 6px 14px;
}
.bad b {
  color: var(--out);
}
</style>
