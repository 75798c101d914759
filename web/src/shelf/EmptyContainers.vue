<script setup lang="ts">
import { emptyWays, type EmptiesGone, type EmptyWay } from '@tadka/core/shelf'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import NumberField from '../pieces/NumberField.vue'
import { useSession } from '../rights/session.ts'
import { useKit } from '../site/kit.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import ProductPick from './ProductPick.vue'

/** Empty containers that wait, and what becomes of one. */
const emit = defineEmits<{ made: [draft: AnyDraft] }>()
const { t } = useI18n()
const site = useSite()
const session = useSession()
const kit = useKit()
const { day } = useTimes()
const waiting = computed(() =>
  kit.products.value.flatMap((p) => (p.empties ? [{ id: p.id, name: p.name, ...p.empties }] : [])),
)
const isOpen = ref(false)
const product = ref<string | null>(null)
const count = ref<number | null>(1)
const went = ref<EmptyWay | null>(null)
const enough = computed(() => product.value !== null && went.value !== null && (count.value ?? 0) >= 1)
function keep(): void {
  if (!enough.value || !product.value || !went.value || !count.value) return
  const to = { kind: 'product', id: product.value } as const
  emit('made', site.record('container.emptied@1', to, { count: count.value, went: went.value }))
  isOpen.value = false
  product.value = went.value = null
  count.value = 1
}
const goneWays = emptyWays.filter((w): w is EmptiesGone['went'] => w !== 'waits')
const going = ref<string | null>(null)
function gone(id: string, n: number, how: EmptiesGone['went'] | null): void {
  if (how === null) return
  emit('made', site.record('container.gone@1', { kind: 'product', id }, { count: n, went: how }))
  going.value = null
}
</script>

<template>
  <section class="empties">
    <h2>{{ t('shelf.empty.title') }}</h2>
    <p class="quiet">{{ t('shelf.empty.how') }}</p>
    <p v-if="waiting.length === 0" class="quiet">{{ t('shelf.empty.none') }}</p>
    <ul>
      <li v-for="w in waiting" :key="w.id">
        <span
          ><b>{{ w.name }}</b> {{ t('shelf.empty.waiting', { n: w.waiting, day: day(w.since) }) }}</span
        >
        <template v-if="session.mayDo('record')">
          <choice-pick
            v-if="going === w.id"
            :model-value="null"
            named
            :label="t('shelf.empty.goes')"
            :choices="goneWays.map((x) => ({ value: x, text: t(`shelf.empty.way.${x}`) }))"
            @update:model-value="(how) => gone(w.id, w.waiting, how)"
          />
          <n-button v-else @click="going = w.id">{{ t('shelf.empty.gone') }}</n-button>
        </template>
      </li>
    </ul>
    <template v-if="session.mayDo('record')">
      <form v-if="isOpen" @submit.prevent="keep">
        <product-pick v-model="product" :products="kit.products.value" :label="t('shelf.empty.which')" />
        <label>
          {{ t('shelf.empty.count') }}
          <number-field v-model="count" whole :min="1" :max="999" :label="t('shelf.empty.count')" />
        </label>
        <choice-pick
          v-model="went"
          named
          :label="t('shelf.empty.goes')"
          :choices="emptyWays.map((x) => ({ value: x, text: t(`shelf.empty.way.${x}`) }))"
        />
        <n-button type="primary" size="large" attr-type="submit" :disabled="!enough">{{
          t('shelf.empty.keep')
        }}</n-button>
      </form>
      <n-button v-else size="large" @click="isOpen = true">{{ t('shelf.empty.new') }}</n-button>
    </template>
  </section>
</template>

<style scoped>
.empties,
form {
  display: grid;
  gap: 12px;
  justify-items: start;
}
.empties > ul {
  width: 100%;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 18px;
  align-items: center;
  justify-content: space-between;
  min-height: 56px;
  border-bottom: 1px solid var(--line-soft);
}
form > :deep(.pick) {
  width: 100%;
}
label {
  font-weight: 600;
}
</style>
