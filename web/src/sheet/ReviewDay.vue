<script setup lang="ts">
import { exceptionsOf, type DaySheet } from '@tadka/core/sheet'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ManyPick from '../pieces/ManyPick.vue'
import PinField from '../record/PinField.vue'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useTimes } from '../site/times.ts'
import { ask } from '../wire/api.ts'
import { useAsking } from '../wire/asking.ts'
import { useQuestions } from './questions.ts'
import { useReviews } from './reviews.ts'
import DialogCard from '../pieces/DialogCard.vue'

/** A day looked through by somebody else than who signed it, with their own PIN; others that wait in the same sweep. */
const props = defineProps<{ sheet: DaySheet }>()
const emit = defineEmits<{ done: [] }>()
const { t } = useI18n()
const session = useSession()
const reviews = useReviews()
const questions = useQuestions()
const names = useNames()
const { clock, date } = useTimes()
const { busy, wrong, tryTo } = useAsking()

const show = ref(false)
const pin = ref('')
const note = ref('')
const also = ref<readonly string[]>([])
const count = computed(() => exceptionsOf(props.sheet).count)
const last = computed(() => props.sheet.reviewed.at(-1) ?? null)
/** What its entries make a manager ask. */
const asks = computed(
  () =>
    questions.list?.questions.filter((q) => q.from < props.sheet.to && q.to >= props.sheet.from).length ?? 0,
)
/** Others that nobody has looked through, and that this person did not sign. */
const others = computed(() =>
  reviews.days.filter((d) => !d.reviewed && d.day !== props.sheet.day && d.signedBy !== session.acting?.id),
)

async function open(): Promise<void> {
  show.value = true
  also.value = []
  await reviews.load()
}

async function sign(): Promise<void> {
  const sent = {
    ...{ person: session.acting?.id, pin: pin.value, note: note.value.trim() },
    days: [props.sheet.day, ...also.value],
  }
  const done = await tryTo(() => ask('POST', `/api/sites/${session.site}/review`, sent))
  pin.value = ''
  if (!done) return
  show.value = false
  note.value = ''
  emit('done')
  await reviews.load()
}
</script>

<template>
  <span v-if="last" class="reviewed">{{
    t('log.review.done', { time: `${date(last.at)} ${clock(last.at)}`, who: names.person(last.by) })
  }}</span>
  <n-button v-else class="open" @click="open">{{ t('log.review.open') }}</n-button>
  <dialog-card
    v-model:show="show"
    :title="t('log.review.title', { day: date(sheet.day) })"
    width="min(820px, 96vw)"
  >
    <form class="review" @submit.prevent="sign">
      <div class="what">
        <p>{{ t('log.review.says', { n: count }, count) }}</p>
        <p v-if="asks > 0">
          <router-link to="/log/questions" class="asks">{{
            t('log.review.asks', { n: asks }, asks)
          }}</router-link>
        </p>
        <many-pick
          v-if="others.length > 0"
          v-model="also"
          :label="t('log.review.also')"
          :choices="others.map((d) => ({ value: d.day, text: date(d.day) }))"
        />
        <n-input
          v-model:value="note"
          type="textarea"
          :autosize="{ minRows: 2, maxRows: 4 }"
          :placeholder="t('log.review.noteLike')"
          :input-props="{ 'aria-label': t('log.review.note') }"
        />
      </div>
      <div class="pin">
        <pin-field v-model="pin" :wrong="wrong" />
        <n-button type="primary" attr-type="submit" class="go" :loading="busy" :disabled="pin.length < 4">{{
          t('log.review.sign')
        }}</n-button>
      </div>
    </form>
  </dialog-card>
</template>

<style scoped>
.reviewed {
  color: var(--in);
  font-weight: 600;
}
.asks {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
.open {
  min-height: 48px;
}
.review {
  display: grid;
  grid-template-columns: 1fr 260px;
  gap: 20px;
}
.what {
  display: grid;
  gap: 14px;
  align-content: start;
}
.pin {
  display: grid;
  gap: 10px;
}
.go {
  min-height: 56px;
}
@media (max-width: 760px) {
  .review {
    grid-template-columns: 1fr;
  }
}
</style>
