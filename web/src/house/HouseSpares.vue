<script setup lang="ts">
import type { SpareSet } from '@tadka/core/house'
import { NButton, NInput, NSelect, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import { parseField } from '../pieces/field.ts'
import { newId } from '../wire/device.ts'
import './form.css'

/** What lies on the shelf: counted here, drawn where an inspection asked for it. */
const { t } = useI18n()
const site = useSite()
const session = useSession()
const procedures = useProcedures()
const message = useMessage()
const may = computed(() => session.mayDo('set-up-house'))
const spares = computed(() =>
  site.all('spare').toSorted((a, b) => a.count - b.count || (a.name < b.name ? -1 : 1)),
)
const families = computed(() =>
  procedures.families().map((f) => ({ label: t(`house.family.${f}`), value: f })),
)

const empty = { id: '', name: '', partNumber: '', fits: [] as string[], count: '' }
const draft = ref({ ...empty })
const tried = ref(false)
const count = computed(() => parseField(draft.value.count))
const whole = computed(() => count.value.value !== null && Number.isInteger(count.value.value))

const change = (s: SpareSet & { id: string }) =>
  (draft.value = {
    id: s.id,
    name: s.name,
    partNumber: s.partNumber ?? '',
    fits: [...s.fits],
    count: String(Math.max(0, s.count)),
  })

function keep(): void {
  tried.value = true
  const { id, name, fits } = draft.value
  const partNumber = draft.value.partNumber.trim()
  if (name.trim() === '' || !whole.value) return
  const payload = {
    name: name.trim(),
    fits,
    count: count.value.value ?? 0,
    ...(partNumber ? { partNumber } : {}),
  }
  const spare = { kind: 'spare', id: id || newId() } as const
  // Kept in stock, too, it is counted there with it.
  const stocked = site.all('stock').find((s) => s.item?.of.kind === 'spare' && s.item.of.id === spare.id)
  site.commit(
    site.draftOf('spare.set@1', spare, payload),
    ...(stocked
      ? [
          site.draftOf(
            'stock.counted@1',
            { kind: 'stock', id: stocked.id },
            { amount: payload.count, of: spare },
          ),
        ]
      : []),
  )
  message.success(t('house.saved'))
  draft.value = { ...empty }
  tried.value = false
}
</script>

<template>
  <section>
    <p v-if="spares.length === 0" class="quiet">{{ t('house.noSpares') }}</p>
    <ul>
      <li v-for="s in spares" :key="s.id">
        <b>{{ s.partNumber ? `${s.name}, ${s.partNumber}` : s.name }}</b>
        <span class="quiet">{{ s.fits.map((f) => t(`house.family.${f}`)).join(', ') }}</span>
        <span :class="{ none: s.count <= 0 }">
          {{ s.count <= 0 ? t('house.spareNone', { n: s.count }) : t('house.spareLeft', { n: s.count }) }}
        </span>
        <n-button v-if="may" @click="change(s)">{{ t('house.countIt') }}</n-button>
      </li>
    </ul>
    <form v-if="may" class="house-form" @submit.prevent="keep">
      <h2>{{ t(draft.id ? 'house.countIt' : 'house.newSpare') }}</h2>
      <div class="fields">
        <label>
          {{ t('house.label.name') }}
          <n-input v-model:value="draft.name" placeholder="" />
          <span v-if="tried && draft.name.trim() === ''" class="fault">{{
            t('house.label.fault.name')
          }}</span>
        </label>
        <label>
          {{ t('house.partNumber') }}
          <n-input v-model:value="draft.partNumber" placeholder="" :maxlength="40" />
        </label>
        <label>
          {{ t('house.onShelf') }}
          <n-input v-model:value="draft.count" placeholder="" />
          <span v-if="tried && !whole" class="fault">{{ t('house.wholeNumber') }}</span>
        </label>
        <div class="wide">
          <span class="name">{{ t('house.fits') }}</span>
          <n-select v-model:value="draft.fits" multiple :options="families" :aria-label="t('house.fits')" />
        </div>
      </div>
      <div class="act">
        <n-button type="primary" attr-type="submit">{{ t('house.label.keep') }}</n-button>
        <n-button v-if="draft.id" @click="draft = { ...empty }">{{ t('common.cancel') }}</n-button>
      </div>
    </form>
    <p v-else class="quiet">{{ t('house.mayNot') }}</p>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 260px 1fr 200px auto;
  gap: 20px;
  align-items: center;
  min-height: 60px;
  border-bottom: 1px solid var(--line-soft);
}
.none {
  font-weight: 650;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: 1fr auto;
    gap: 4px 12px;
    padding: 8px 0;
  }
}
</style>
