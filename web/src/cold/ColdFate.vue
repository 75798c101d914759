<script setup lang="ts">
import { foodTold } from '@tadka/core/case'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import TextField from '../pieces/TextField.vue'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import type { ColdRow } from './cold.ts'

/** A fridge was read warm: what becomes of the food, before anything says that it is cold again. */
const props = defineProps<{ row: ColdRow }>()
const { t } = useI18n()
const { clock } = useTimes()
const site = useSite()
const session = useSession()

const found = computed(() => (props.row.openCase ? site.one('case', props.row.openCase) : null))
const stands = computed(() => props.row.stands)
/** What becomes of what was warm; cold again, it is judged by how long it was not. */
const outcome = computed(() => {
  if (stands.value.is === 'warm') return stands.value.outcome
  return stands.value.is === 'cold' ? stands.value.was : null
})
const isTold = computed(() => found.value !== null && foodTold(found.value))
const says = computed(() => {
  if (isTold.value) return t('cold.readCold')
  if (!outcome.value) return t('cold.readOnceMore')
  const { is } = outcome.value
  const said = t(`cold.is.${is}`, { time: is === 'use-by' ? clock(outcome.value.by) : '' })
  return stands.value.is === 'cold' ? t('cold.again', { said }) : said
})
const since = computed(() => {
  if (stands.value.is !== 'warm') return ''
  return stands.value.since === null
    ? t('cold.sinceUnknown')
    : t('cold.since', { time: clock(stands.value.since) })
})
const what = ref('')
const enough = computed(() => what.value.trim().length > 2)
function did(act: 'discarded' | 'moved' | 'used-up', said: string): void {
  const { openCase } = props.row
  if (!openCase || !enough.value) return
  site.record(
    'case.action@1',
    { kind: 'case', id: openCase },
    {
      ...{ case: openCase, station: props.row.station.id, run: null, bath: null },
      ...{ did: act, amount: null, note: said },
    },
  )
  what.value = ''
}
</script>

<template>
  <section v-if="found" class="fate" :class="outcome?.is">
    <div role="status">
      <h2>
        {{ says }}
      </h2>
      <p v-if="!isTold">
        {{ since }}
        <template v-if="outcome && 'why' in outcome">{{ t(`cold.why.${outcome.why}`) }}</template>
      </p>
    </div>
    <form @submit.prevent="did('discarded', what.trim())">
      <text-field v-model="what" large :name="t('cold.what')" :example="t('cold.whatLike')" :most="300" />
      <n-button size="large" type="primary" attr-type="submit" :disabled="!enough">{{
        t('cold.thrownOut')
      }}</n-button>
      <n-button
        v-if="outcome?.is === 'use-by'"
        size="large"
        :disabled="!enough"
        @click="did('used-up', what.trim())"
        >{{ t('cold.usedUp') }}</n-button
      >
      <n-button
        v-else-if="outcome?.is !== 'discard'"
        size="large"
        :disabled="!enough"
        @click="did('moved', what.trim())"
        >{{ t('cold.moved') }}</n-button
      >
      <router-link v-if="session.mayDo('close-case')" :to="`/log/case/${found.id}`" class="link">{{
        t('cold.case')
      }}</router-link>
    </form>
  </section>
</template>

<style scoped>
.fate {
  margin: 12px var(--gutter) 0;
  padding: 10px 16px 14px;
  border-left: 6px solid var(--close);
  background: var(--raised);
  display: grid;
  gap: 6px;
}
.discard {
  border-left-color: var(--out);
}
h2 {
  font-size: 21px;
}
form {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: flex-end;
}
form > :first-child {
  flex: 1 1 260px;
}
</style>
