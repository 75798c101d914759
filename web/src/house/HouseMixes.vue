<script setup lang="ts">
import { allergens, recipeSides, type Allergen, type MixState, type RecipeRange } from '@tadka/core/house'
import { typedIn } from '@tadka/core/plate'
import { NButton, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import NumberField from '../pieces/NumberField.vue'
import { useReruns } from '../rerun/reruns.ts'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { useUnitSystem } from '../site/unit-system.ts'
import { newId } from '../wire/device.ts'
import HouseForm from './HouseForm.vue'
import TextField from '../pieces/TextField.vue'

/** The mixes that go into machines, as their makers state them. */
const { t } = useI18n()
const site = useSite()
const session = useSession()
const message = useMessage()
const may = computed(() => session.mayDo('set-up-house'))
const { mixes, nameOf, containsOf } = useReruns()

const fresh = () => ({
  id: '',
  name: '',
  flavour: '',
  notTcs: false as boolean | null,
  may: 'unknown' as 'yes' | 'no' | 'unknown' | null,
  keepDays: null as number | null,
  none: false,
  allergens: [] as Allergen[],
  celsiusLo: null as number | null,
  celsiusHi: null as number | null,
  consistencyLo: null as number | null,
  consistencyHi: null as number | null,
})
const { system } = useUnitSystem()
const draft = ref<ReturnType<typeof fresh> | null>(null)
const tried = ref(false)
const fault = computed(() => (tried.value && draft.value?.name.trim() === '' ? t('rerun.nameNeeded') : ''))

const degrees = computed(() => typedIn({ unit: '°C' }, system.value))
const shown = (celsius: number | undefined) =>
  celsius === undefined ? null : Number(degrees.value.shown(celsius).toFixed(1))
/** A range of a recipe, what is wrong with it; none where both ends are empty. */
function rangeOf(lo: number | null, hi: number | null): RecipeRange | null | 'half' {
  if (lo === null && hi === null) return null
  return lo === null || hi === null || Number.isNaN(lo) || Number.isNaN(hi) || lo > hi ? 'half' : { lo, hi }
}
const ranges = computed(() => {
  const d = draft.value
  if (!d) return { celsius: null, consistency: null }
  const kept = (v: number | null) => (v === null ? null : degrees.value.kept(v))
  return {
    celsius: rangeOf(kept(d.celsiusLo), kept(d.celsiusHi)),
    consistency: rangeOf(d.consistencyLo, d.consistencyHi),
  }
})
function change(m: MixState): void {
  draft.value = {
    id: m.id,
    name: m.name ?? '',
    flavour: m.flavour ?? '',
    notTcs: m.statedNotTcs ?? false,
    may: m.rerun === true ? 'yes' : m.rerun === false ? 'no' : 'unknown',
    keepDays: m.keepDays ?? null,
    none: m.allergens?.length === 0,
    allergens: [...(m.allergens ?? [])],
    celsiusLo: shown(m.recipe?.celsius?.lo),
    celsiusHi: shown(m.recipe?.celsius?.hi),
    consistencyLo: m.recipe?.consistency?.lo ?? null,
    consistencyHi: m.recipe?.consistency?.hi ?? null,
  }
  tried.value = false
}
function toggle(a: Allergen): void {
  if (!draft.value) return
  const { allergens: now } = draft.value
  draft.value.allergens = now.includes(a) ? now.filter((x) => x !== a) : [...now, a]
  draft.value.none = false
}
function keep(): void {
  tried.value = true
  const d = draft.value
  const { celsius, consistency } = ranges.value
  if (!d || d.name.trim() === '' || Number.isNaN(d.keepDays)) return
  if (celsius === 'half' || consistency === 'half') return
  const recipe = celsius || consistency ? { recipe: { celsius, consistency } } : {}
  const known = d.none || d.allergens.length > 0
  site.record(
    'mix.set@1',
    { kind: 'mix', id: d.id || newId() },
    {
      name: d.name.trim(),
      flavour: d.flavour.trim(),
      statedNotTcs: d.notTcs === true,
      allergens: known ? allergens.filter((a) => d.allergens.includes(a)) : null,
      rerun: d.may === 'yes' ? true : d.may === 'no' ? false : null,
      keepDays: d.keepDays,
      ...recipe,
    },
  )
  message.success(t('house.saved'))
  draft.value = null
}
</script>

<template>
  <section class="mixes">
    <h2>{{ t('rerun.mixes') }}</h2>
    <p class="quiet small">{{ t(mixes.length === 0 ? 'rerun.noMixes' : 'rerun.mixesHow') }}</p>
    <ul>
      <li v-for="m in mixes" :key="m.id">
        <div>
          <b>{{ nameOf([m.id]) }}</b>
          <p class="small quiet">
            {{ containsOf([m.id]) }} · {{ t(`rerun.tcs.${m.statedNotTcs ? 'yes' : 'no'}`) }} ·
            {{ t(`rerun.maySay.${m.rerun === true ? 'yes' : m.rerun === false ? 'no' : 'unknown'}`) }}
          </p>
        </div>
        <n-button v-if="may" @click="change(m)">{{ t('house.change') }}</n-button>
      </li>
    </ul>
    <n-button v-if="may && !draft" @click="((draft = fresh()), (tried = false))">{{
      t('rerun.addMix')
    }}</n-button>
    <house-form
      v-if="draft"
      :title="t('rerun.addMix')"
      :save="t('rerun.save')"
      @keep="keep"
      @close="draft = null"
    >
      <div class="fields">
        <text-field v-model="draft.name" :name="t('rerun.name')" :fault="fault" :most="80" />
        <text-field v-model="draft.flavour" :name="t('rerun.flavour')" :most="80" />
        <label class="wide days">
          {{ t('rerun.keepDays') }}
          <number-field v-model="draft.keepDays" :min="1" :max="365" whole :empty="t('rerun.keepDaysNone')" />
        </label>
        <div class="wide">
          <choice-pick
            v-model="draft.notTcs"
            named
            :label="t('rerun.notTcs')"
            :choices="[
              { value: false, text: t('rerun.tcs.no') },
              { value: true, text: t('rerun.tcs.yes') },
            ]"
          />
          <p class="quiet small">{{ t('rerun.notTcsHow') }}</p>
        </div>
        <choice-pick
          v-model="draft.may"
          class="wide"
          named
          :label="t('rerun.may')"
          :choices="
            (['yes', 'no', 'unknown'] as const).map((value) => ({ value, text: t(`rerun.maySay.${value}`) }))
          "
        />
        <div
          v-for="side in recipeSides"
          :key="side"
          class="wide range"
          role="group"
          :aria-label="t(`rerun.recipe.${side}`)"
        >
          <span class="name">{{ t(`rerun.recipe.${side}`) }}</span>
          <div class="ends">
            <number-field
              v-model="draft[`${side}Lo`]"
              :min="side === 'celsius' ? -40 : 0"
              :max="side === 'celsius' ? 70 : 1000"
              :label="t('rerun.recipe.lo')"
              :empty="t('rerun.recipe.lo')"
            />
            <number-field
              v-model="draft[`${side}Hi`]"
              :min="side === 'celsius' ? -40 : 0"
              :max="side === 'celsius' ? 70 : 1000"
              :label="t('rerun.recipe.hi')"
              :empty="t('rerun.recipe.hi')"
            />
            <span class="unit">{{ side === 'celsius' ? degrees.unit : '' }}</span>
          </div>
          <span v-if="tried && ranges[side] === 'half'" class="fault">{{ t('rerun.recipe.half') }}</span>
        </div>
        <div class="wide" role="group" :aria-label="t('rerun.allergens')">
          <span class="name">{{ t('rerun.allergens') }}</span>
          <div class="choices">
            <button
              v-for="a in allergens"
              :key="a"
              type="button"
              :aria-pressed="draft.allergens.includes(a)"
              @click="toggle(a)"
            >
              {{ t(`rerun.allergen.${a}`) }}
            </button>
            <button
              type="button"
              :aria-pressed="draft.none"
              @click="((draft.none = !draft.none), draft.none && (draft.allergens = []))"
            >
              {{ t('rerun.allergensNone') }}
            </button>
          </div>
        </div>
      </div>
    </house-form>
  </section>
</template>

<style scoped src="../pieces/toggles.css"></style>

<style scoped>
.mixes {
  padding-top: 24px;
}
.ends {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
}
.range .fault {
  color: var(--out);
  font-weight: 600;
}
.days {
  max-width: 420px;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 16px;
  align-items: center;
  padding: 10px 0;
  border-bottom: 1px solid var(--line-soft);
}
</style>
