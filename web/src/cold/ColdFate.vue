<script setup lang="ts">
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
const outcome = computed(() => (stands.value.is === 'warm' ? stands.value.outcome : null))
const since = computed(() => {
  if (stands.value.is !== 'warm') return ''
  return stands.value.since === null
    ? t('cold.sinceUnknown')
    : t('cold.since', { time: clock(stands.value.since) })
})
const told = computed(() => found.value?.actions.length ?? 0)
const what = ref('')
const enough = computed(() => what.value.trim().length > 2)
function did(act: 'discarded' | 'moved', said: string): void {
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
        {{
          outcome
            ? t(`cold.is.${outcome.is}`, { time: outcome.is === 'use-by' ? clock(outcome.by) : '' })
            : t(found.coldAgain ? 'cold.again' : 'cold.readOnceMore')
        }}
      </h2>
      <p>
        {{ since }}
        <template v-if="outcome && 'why' in outcome">{{ t(`cold.why.${outcome.why}`) }}</template>
      </p>
    </div>
    <p v-if="told > 0" class="quiet">{{ t('cold.told', told) }}</p>
    <form @submit.prevent="did('discarded', what.trim())">
      <text-field v-model="what" large :name="t('cold.what')" :example="t('cold.whatLike')" :most="300" />
      <n-button size="large" type="primary" attr-type="submit" :disabled="!enough">{{
        t('cold.thrownOut')
      }}</n-button>
      <n-button
        v-if="outcome?.is !== 'discard'"
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
