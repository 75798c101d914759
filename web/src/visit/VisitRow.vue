<script setup lang="ts">
import type { AnyDraft } from '@tadka/core/stream'
import type { VisitAhead } from '@tadka/core/visit'
import { NButton, NInput, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import TextField from '../pieces/TextField.vue'
import { useSession } from '../rights/session.ts'
import PhotoPick from '../site/PhotoPick.vue'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'

/** Somebody is to come: once they were here, who, by which licence, what they found, did and put out. */
const props = defineProps<{ visit: VisitAhead }>()
const emit = defineEmits<{ made: [draft: AnyDraft] }>()
const { t } = useI18n()
const site = useSite()
const names = useNames()
const session = useSession()
const message = useMessage()
const { date } = useTimes()
const isOpen = ref(false)
const who = ref('')
const licence = ref('')
const found = ref('')
const did = ref('')
const products = ref('')
const report = ref<string | null>(null)
const enough = computed(() => who.value.trim() !== '' && did.value.trim().length > 2)
const to = computed(() => ({ kind: 'visit', id: props.visit.id }) as const)
/** "gel for ants, behind the sink": what stands before the first comma, and the rest. */
const put = computed(() =>
  products.value
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '')
    .slice(0, 20)
    .map((line) => {
      const [name = '', ...where] = line.split(',')
      return { name: name.trim().slice(0, 80), where: (where.join(',').trim() || '–').slice(0, 80) }
    }),
)
function done(): void {
  if (!enough.value) return
  const made = site.record('visit.done@1', to.value, {
    ...{
      who: who.value.trim(),
      licence: licence.value.trim(),
      found: found.value.trim(),
      did: did.value.trim(),
    },
    ...{ products: put.value, report: report.value },
  })
  emit('made', made)
  message.success(t('house.saved'))
}
function off(): void {
  const { id: _, is: _is, ...visit } = props.visit
  emit('made', site.record('visit.set@1', to.value, { ...visit, ended: true }))
}
</script>

<template>
  <li :class="visit.is">
    <div class="head">
      <span class="what">
        <b>{{ visit.company }}</b>
        <span class="quiet small">{{
          [visit.station ? names.station(visit.station) : '', visit.note].filter(Boolean).join(': ')
        }}</span>
      </span>
      <span class="when">{{ t(`pest.visit.${visit.is}`, { day: date(visit.day) }) }}</span>
      <n-button :aria-expanded="isOpen" @click="isOpen = !isOpen">{{ t('pest.visit.here') }}</n-button>
      <n-button v-if="session.mayDo('plan-shift')" @click="off">{{ t('pest.visit.off') }}</n-button>
    </div>
    <form v-if="isOpen" @submit.prevent="done">
      <text-field v-model="who" large :name="t('pest.visit.who')" :most="80" />
      <text-field v-model="licence" large :name="t('pest.visit.licence')" :most="60" />
      <text-field v-model="found" large :name="t('pest.visit.found')" :most="500" />
      <text-field
        v-model="did"
        large
        :name="t('pest.visit.did')"
        :example="t('pest.visit.didLike')"
        :most="500"
      />
      <label class="wide">
        {{ t('pest.visit.products') }}
        <n-input
          v-model:value="products"
          type="textarea"
          :rows="2"
          :placeholder="t('pest.visit.productsLike')"
          :input-props="{ 'aria-label': t('pest.visit.products') }"
        />
      </label>
      <photo-pick v-model="report" :text="t('pest.visit.report')" :again="t('pest.visit.reportTaken')" />
      <n-button type="primary" size="large" attr-type="submit" :disabled="!enough">{{
        t('pest.keep')
      }}</n-button>
    </form>
  </li>
</template>

<style scoped>
li {
  padding: 12px 0;
  border-bottom: 1px solid var(--line-soft);
}
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
}
.what {
  flex: 1;
  display: grid;
}
.late .when {
  color: var(--out);
  font-weight: 650;
}
form {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
  gap: 14px 20px;
  align-items: end;
  padding: 12px 0 4px 16px;
  border-left: 4px solid var(--sea);
  margin-top: 10px;
}
label {
  font-weight: 600;
}
.wide {
  grid-column: 1 / -1;
}
</style>
