<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, nextTick, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute } from 'vue-router'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { useUnitSystem } from '../site/unit-system.ts'
import { useDoseWords } from '../solution/dose-words.ts'
import CodeScan from '../pieces/CodeScan.vue'
import ContainerForm from './ContainerForm.vue'
import HouseMixes from './HouseMixes.vue'
import LabelForm from './LabelForm.vue'
import { useSiteSet } from '../site/site-set.ts'
import { useKit, type Product } from '../site/kit.ts'

/** The labels: what each product is for, its dose, its limits, and what it must not meet. */
const { t } = useI18n()
const kit = useKit()
const site = useSite()
const { isUs } = useUnitSystem()
const session = useSession()
const { date } = useTimes()
const may = computed(() => session.mayDo('set-up-house'))
const route = useRoute()
const wanted = computed(() => String(route.query['for'] ?? ''))
const editing = ref<Product | 'new' | null>(wanted.value === '' ? null : 'new')
const opening = ref<string | null>(null)

const { kept, set } = useSiteSet()
/** Of several products for one use, the one that runs offer first. */
const prefer = (use: string, product: string) =>
  set({ preferred: { ...kept.value?.preferred, [use]: product } })

/** A bottle before the camera: its entry, or the beginning of one. */
const found = ref<string | null>(null)
const code = ref('')
const unknown = ref(false)
function scanned(text: string): void {
  const product = kit.products.value.find((p) => p.codes?.includes(text))
  found.value = product?.id ?? null
  unknown.value = !product
  code.value = product ? '' : text
  if (product) void nextTick(() => document.getElementById(`product-${product.id}`)?.scrollIntoView())
  else if (may.value) editing.value = 'new'
}

const dose = useDoseWords()
const water = ({ c, f }: { c: number; f: number }) =>
  isUs.value ? t('house.temperatureF', { f }) : t('house.temperature', { c })
const neverOf = (p: Product) =>
  p.neverWith === null
    ? t('house.notEntered')
    : p.neverWith.length > 0
      ? p.neverWith.map((x) => t(`chemical.${x}`)).join(', ')
      : t('house.labelNamesNone')
</script>

<template>
  <section>
    <div class="scan">
      <code-scan :text="t('house.label.scan')" :how="t('house.label.scanHow')" @read="scanned" />
      <p v-if="unknown" role="status">{{ t('house.label.unknownCode') }}</p>
    </div>
    <ul>
      <li
        v-for="p in kit.products.value"
        :id="`product-${p.id}`"
        :key="p.id"
        :class="{ found: found === p.id }"
      >
        <div class="name">
          <b>{{ p.name }}</b>
          <p class="quiet">{{ p.purpose }}</p>
          <p>{{ dose(p.supply) }}</p>
          <p v-if="p.container" class="small">
            {{
              t(p.container.lot ? 'house.openedLot' : 'house.opened', {
                date: date(p.container.openedAt),
                lot: p.container.lot ?? '',
              })
            }}
          </p>
          <p class="acts">
            <n-button @click="((opening = opening === p.id ? null : p.id), (editing = null))">{{
              t('house.open')
            }}</n-button>
            <router-link :to="`/house/chemical/${p.id}`" class="link">{{
              t('house.card.title')
            }}</router-link>
            <n-button v-if="may" @click="editing = p">{{ t('house.change') }}</n-button>
          </p>
          <container-form v-if="opening === p.id" :product="p" @close="opening = null" />
        </div>
        <div>
          <p v-for="u in p.uses" :key="u.id" class="use">
            <b>{{ u.name }}</b><br />
            {{
              [
                u.range ? t('house.range', u.range) : t('house.notLabelled'),
                u.temperature ? water(u.temperature) : '',
                u.contactSeconds ? t('house.contact', { s: u.contactSeconds }) : '',
              ]
                .filter(Boolean)
                .join(', ')
            }}
            <template v-if="kit.forUse(u.id).length > 1">
              <b v-if="kit.preferred(u.id) === p.id" class="first">{{ t('house.usedFirst') }}</b>
              <n-button v-else-if="may" @click="prefer(u.id, p.id)">{{ t('house.useFirst') }}</n-button>
            </template>
          </p>
          <p class="caution">
            {{ t('house.ppe') }}: {{ p.ppe.length > 0 ? p.ppe.join(', ') : t('house.notEntered') }}.
            {{ t('house.neverWith') }}: {{ neverOf(p) }}.
          </p>
          <p>
            {{ t('house.firstAid') }}: {{ p.firstAid }}
            {{ t('house.emergency', { number: site.set?.emergencyNumber ?? '' }) }}
          </p>
        </div>
        <label-form
          v-if="editing !== 'new' && editing?.id === p.id"
          class="whole"
          :product="p"
          @close="editing = null"
        />
      </li>
    </ul>
    <label-form
      v-if="editing === 'new'"
      :key="code"
      :product="null"
      :wanted="wanted"
      :code="code"
      @close="editing = null"
    />
    <n-button v-else-if="may" type="primary" size="large" @click="editing = 'new'">{{
      t('house.label.new')
    }}</n-button>
    <house-mixes />
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 300px 1fr;
  gap: 32px;
  padding: 18px 0;
  border-bottom: 1px solid var(--line);
}
.name b {
  font-size: 22px;
}
.scan {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 14px;
}
.found {
  border-left: 5px solid var(--sea);
  padding-left: 14px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-top: 10px;
}
.whole {
  grid-column: 1 / -1;
}
.use {
  margin-bottom: 8px;
}
.caution {
  border-left: 4px solid var(--out);
  padding-left: 12px;
  font-weight: 600;
  margin: 8px 0;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: 1fr;
  }
}
</style>
