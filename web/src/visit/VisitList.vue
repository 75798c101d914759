<script setup lang="ts">
import type { AnyDraft } from '@tadka/core/stream'
import { visitKinds, visitsAhead, type VisitKind, type VisitSet } from '@tadka/core/visit'
import { NButton, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import DayField from '../pieces/DayField.vue'
import TextField from '../pieces/TextField.vue'
import { useSession } from '../rights/session.ts'
import { useMachines } from '../site/machines.ts'
import { useNames } from '../site/names.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { useTimes } from '../site/times.ts'
import { newId } from '../wire/device.ts'
import VisitRow from './VisitRow.vue'

/** Who comes from outside: to come, and past with what was done. Of one kind, or all. */
const props = defineProps<{ kind?: VisitKind }>()
const { t } = useI18n()
const site = useSite()
const session = useSession()
const names = useNames()
const { day } = useTimes()
const { today } = useProcedures()
const all = computed(() => site.all('visit').filter((v) => !props.kind || v.visit?.kind === props.kind))
const ahead = computed(() => visitsAhead(all.value, today.value))
const past = computed(() =>
  all.value
    .flatMap(({ id, visit, done }) => (visit && done ? [{ id, visit, done }] : []))
    .toSorted((a, b) => b.done.at - a.done.at),
)
const chosen = ref<VisitKind | null>(props.kind ?? 'technician')
const station = ref<string | null>(null)
const made = ref<AnyDraft | null>(null)
const { options: machines } = useMachines()
const company = ref('')
const on = ref(today.value)
const note = ref('')
function plan(): void {
  if (company.value.trim() === '') return
  const visit: VisitSet = {
    ...{ kind: chosen.value ?? 'other', company: company.value.trim(), day: on.value },
    ...{ station: chosen.value === 'technician' ? station.value : null, note: note.value.trim() },
  }
  made.value = site.record('visit.set@1', { kind: 'visit', id: newId() }, visit)
  company.value = ''
  note.value = ''
}
const said = ({ done }: (typeof past.value)[number]) =>
  t('pest.visit.said', {
    ...{ when: day(done.at), who: done.who, did: done.did },
    licence: done.licence ? t('pest.visit.licensed', { n: done.licence }) : '',
  })
</script>

<template>
  <div class="visits">
    <p v-if="ahead.length === 0" class="quiet">{{ t('pest.visit.none') }}</p>
    <ul>
      <visit-row v-for="v in ahead" :key="v.id" :visit="v" @made="(draft) => (made = draft)" />
    </ul>
    <take-back-now v-if="made" :key="made.id" :draft="made" @back="made = null" />
    <form v-if="session.mayDo('plan-shift')" @submit.prevent="plan">
      <choice-pick
        v-if="!kind"
        v-model="chosen"
        named
        class="wide"
        :label="t('pest.visit.kind.title')"
        :choices="visitKinds.map((k) => ({ value: k, text: t(`pest.visit.kind.${k}`) }))"
      />
      <n-select
        v-if="chosen === 'technician'"
        v-model:value="station"
        :options="machines"
        clearable
        size="large"
        :placeholder="t('pest.visit.machine')"
        :aria-label="t('pest.visit.machine')"
      />
      <text-field
        v-model="company"
        large
        :name="t('pest.visit.company')"
        :example="t('pest.visit.companyLike')"
        :most="80"
      />
      <text-field v-model="note" large :name="t('pest.visit.note')" :most="300" />
      <day-field v-model="on" named :label="t('pest.visit.day')" :min="today" />
      <n-button size="large" attr-type="submit" :disabled="company.trim() === ''">{{
        t('pest.visit.plan')
      }}</n-button>
    </form>
    <template v-if="past.length > 0">
      <h2 class="label">{{ t('pest.visit.past') }}</h2>
      <ul>
        <li v-for="v in past" :key="v.id">
          <b>{{ v.visit.company }}</b>{{ v.visit.station ? `, ${names.station(v.visit.station)}` : '' }}
          {{ said(v) }}
          <p v-if="v.done.found">{{ v.done.found }}</p>
          <p v-for="(p, i) in v.done.products" :key="i" class="quiet small">{{ `${p.name}: ${p.where}` }}</p>
          <a
            v-if="v.done.report"
            :href="`/api/sites/${session.site}/photos/${v.done.report}`"
            target="_blank"
            >{{ t('pest.visit.see') }}</a
          >
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.wide {
  grid-column: 1 / -1;
}
.visits {
  display: grid;
  gap: 18px;
}
form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 14px 20px;
  align-items: end;
}
ul + h2 {
  margin-top: 8px;
}
li {
  padding: 10px 0;
  border-bottom: 1px solid var(--line-soft);
}
a {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
</style>
