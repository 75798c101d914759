<script setup lang="ts">
import { showCountdown } from '@tadka/core/quantity'
import { leastContactSeconds } from '@tadka/core/procedure'
import { basketWhole, type Basket, type BathState } from '@tadka/core/bath'
import { labelInForce } from '@tadka/core/record'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useKit } from '../site/kit.ts'
import { spokenLength } from '@tadka/words/length'
import { useSite } from '../site/site.ts'
import { now } from '../wire/clock.ts'
import { boot, newId } from '../wire/device.ts'

/** Parts and ware dipped in a bath of sanitizer: one tap per basket starts its contact time, several at once. */
/** `spent`: the bath has served its hours: nothing more goes into it. */
const props = defineProps<{ bath: BathState; spent?: boolean }>()
const { t } = useI18n()
const site = useSite()
const kit = useKit()

const subject = computed(() => ({ kind: 'bath', id: props.bath.id }) as const)
const product = computed(() => kit.products.value.find((p) => p.id === props.bath.product) ?? null)
const use = computed(() => {
  const uses = product.value?.uses ?? []
  return uses.find((u) => u.id === 'utensils') ?? uses.find((u) => u.range !== null)
})
const contact = computed(() => {
  const p = product.value
  const label = p && use.value ? labelInForce(p.id, p, use.value.id) : null
  const seconds = leastContactSeconds(label)
  return t('bench.basket.contact', {
    time: spokenLength(seconds * 1000),
    why: t(label?.contactSeconds === seconds ? 'bench.basket.byLabel' : 'bench.basket.byCode'),
  })
})
/** Those in the bath, and what the last few came to. */
const shown = computed(() => props.bath.baskets.map((b, i) => ({ b, n: i + 1 })).slice(-6))
const left = (b: Basket) => b.tick.at + b.leastMs - now()
function start(): void {
  if (!props.bath.product) return
  const payload = { bath: props.bath.id, product: props.bath.product, basket: newId(), boot }
  site.record('ware.in@1', subject.value, payload)
}
const out = (b: Basket) =>
  site.record('ware.out@1', subject.value, { bath: props.bath.id, basket: b.id, boot })
</script>

<template>
  <div v-if="product?.agent" class="baskets">
    <n-button v-if="!spent" size="large" @click="start">{{ t('bench.basket.in') }}</n-button>
    <span class="quiet small">{{ contact }}</span>
    <span v-if="use?.rinseAfter" class="small">{{ t('bench.rinseAfter') }}</span>
    <ul>
      <li v-for="{ b, n } in shown" :key="b.id">
        <template v-if="b.out === null">
          <span :class="{ over: left(b) <= 0 }">{{
            left(b) > 0
              ? t('bench.basket.left', { n, left: showCountdown(left(b)) })
              : t('bench.basket.over', { n })
          }}</span>
          <n-button size="large" :type="left(b) <= 0 ? 'primary' : 'default'" @click="out(b)">{{
            t('bench.basket.out', { n })
          }}</n-button>
        </template>
        <span v-else :class="basketWhole(b) ? 'whole' : 'short'">{{
          t(basketWhole(b) ? 'bench.basket.whole' : 'bench.basket.short', {
            n,
            ms: spokenLength(b.out.ms),
            least: spokenLength(b.leastMs),
          })
        }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.baskets {
  margin-top: 8px;
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
}
ul {
  flex-basis: 100%;
  display: grid;
  gap: 6px;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  border: 0;
  padding: 0;
}
.over {
  font-weight: 650;
}
.whole {
  color: var(--in);
  font-weight: 600;
}
.short {
  color: var(--out);
  font-weight: 600;
}
</style>
