<script setup lang="ts">
import { type InstrumentSet, type TypicalInstrument, typicalInstruments } from '@tadka/core/house'
import { NButton, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'
import { newId } from '../wire/device.ts'
import { now } from '../wire/clock.ts'
import './form.css'
import TextField from '../pieces/TextField.vue'

/** What most places measure with, one tap each; a strip asks for the date on its pack. */
const { t } = useI18n()
const site = useSite()
const message = useMessage()
const dating = ref<TypicalInstrument | null>(null)
const date = ref('')
const tried = ref(false)
const units = computed(() => site.set?.units ?? 'metric')
const nameOf = (i: TypicalInstrument) => {
  const own = `instruments.${units.value}.${i.id}`
  return t(own)
}
const here = computed(() => new Set(site.all('instrument').flatMap((i) => ('name' in i ? [i.name] : []))))
const offered = computed(() => typicalInstruments(units.value).filter((i) => !here.value.has(nameOf(i))))

function add(i: TypicalInstrument, change: Partial<InstrumentSet> = {}): void {
  const made = { ...i.make(nameOf(i), now()), ...change } as InstrumentSet
  site.record('instrument.set@1', { kind: 'instrument', id: newId() }, made)
  message.success(t('instruments.added', { name: nameOf(i) }))
}
function tap(i: TypicalInstrument): void {
  if (!i.needsDate) return add(i)
  dating.value = i
  date.value = ''
  tried.value = false
}
function keep(): void {
  tried.value = true
  const at = Date.parse(date.value)
  if (!dating.value || Number.isNaN(at)) return
  add(dating.value, { bestBefore: at } as Partial<InstrumentSet>)
  dating.value = null
}
</script>

<template>
  <section v-if="offered.length > 0" class="house-form">
    <h2>{{ t('instruments.title') }}</h2>
    <p class="quiet">{{ t('instruments.how') }}</p>
    <div class="tiles">
      <n-button v-for="i in offered" :key="i.id" size="large" @click="tap(i)">+ {{ nameOf(i) }}</n-button>
    </div>
    <form v-if="dating" class="fields" @submit.prevent="keep">
      <text-field
        v-model="date"
        type="date"
        large
        :name="t('instruments.date', { name: nameOf(dating) })"
        :fault="tried ? t('instruments.noDate') : ''"
      />
      <div class="act">
        <n-button type="primary" size="large" attr-type="submit">{{ t('instruments.add') }}</n-button>
        <n-button size="large" @click="dating = null">{{ t('common.cancel') }}</n-button>
      </div>
    </form>
  </section>
</template>

<style scoped>
.tiles {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 10px 0;
}
.house-form .fields {
  grid-template-columns: minmax(260px, 460px) auto;
  align-items: end;
}
</style>
