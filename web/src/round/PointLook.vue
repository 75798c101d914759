<script setup lang="ts">
import type { RoundPoint, WalkOpen } from '@tadka/core/round'
import type { TaskSet } from '@tadka/core/task'
import { NButton, NInput, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import ReasonForm from '../pieces/ReasonForm.vue'
import PhotoPick from '../site/PhotoPick.vue'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import HeatCheck from '../solution/HeatCheck.vue'
import TaskFields from '../task/TaskFields.vue'
import { newId } from '../wire/device.ts'
import { useRoundWords } from './round-words.ts'
import { useRounds } from './rounds.ts'

/** One point: fine, or what is wrong with it and who puts it right; a fridge is read, and its reading decides. */
const props = defineProps<{ round: string; walk: WalkOpen; point: RoundPoint }>()
const { t } = useI18n()
const site = useSite()
const message = useMessage()
const { today } = useProcedures()
const { asks, source } = useRoundWords()
const { to } = useRounds()

const isWrong = ref(false)
const said = ref('')
const photo = ref<string | null>(null)
const follow = ref<boolean | null>(true)
const owner = ref<string | null>(null)
const due = ref(today.value)
const enough = computed(() => said.value.trim().length > 2 && follow.value !== null)
const station = computed(() => (props.point.ask.kind === 'read' ? props.point.ask.station : null))
/** A fridge that was read warm is rechecked by being read again. */
const openCase = computed(
  () =>
    site
      .all('case')
      .find((c) => c.status === 'open' && c.what === 'cold-product' && c.station === station.value)?.id ??
    null,
)
const place = computed(() => ({
  ...{ station: station.value, run: null, step: null, bath: null },
  case: openCase.value,
}))

const looked = (fine: boolean, reading: string | null = null) => {
  const { id: point, area, ask } = props.point
  const told = { fine, said: fine ? '' : said.value.trim(), photo: photo.value, reading }
  return site.draftOf('walk.looked@1', to(props.round), { walk: props.walk.walk, point, area, ask, ...told })
}
const fine = () => site.commit(looked(true))
function wrong(): void {
  if (!enough.value) return
  const task: TaskSet = {
    ...{ say: said.value.trim().slice(0, 200), area: props.point.area, owner: owner.value, due: due.value },
    from: { kind: 'round', id: props.round },
  }
  const id = newId()
  site.commit(
    looked(false),
    ...(follow.value ? [site.draftOf('task.set@1', { kind: 'task', id }, task)] : []),
  )
}
/** It cannot be read: that is told with why, and is not fine. */
function unread(why: string): void {
  said.value = why
  site.commit(looked(false))
}
/** The reading itself is the look: what it was judged decides. */
function read(verdict: string): void {
  const record = site.one('station', station.value ?? '')?.lastRead?.record
  if (!record) return
  site.commit(looked(verdict === 'in', record))
  if (verdict !== 'in') message.warning(t(verdict === 'out' ? 'round.readWarm' : 'round.readUnclear'))
}
</script>

<template>
  <div class="look">
    <p class="label">{{ point.area }}</p>
    <h2>{{ asks(point.ask) }}</h2>
    <p v-if="source(point.ask)" class="quiet small">{{ source(point.ask) }}</p>
    <heat-check v-if="station" what="cold-product" :recheck-of="place.case" :place="place" @kept="read">
      <p class="quiet small">{{ t('cold.where') }}</p>
    </heat-check>
    <details v-if="station">
      <summary>{{ t('round.cannot') }}</summary>
      <reason-form
        :label="t('round.cannotWhy')"
        :like="t('round.cannotLike')"
        :act="t('round.keep')"
        @said="unread"
      />
    </details>
    <template v-else>
      <div class="two">
        <n-button type="primary" class="big" :disabled="isWrong" @click="fine">{{
          t('round.fine')
        }}</n-button>
        <n-button class="big" :aria-expanded="isWrong" @click="isWrong = !isWrong">{{
          t('round.wrong')
        }}</n-button>
      </div>
      <form v-if="isWrong" @submit.prevent="wrong">
        <n-input
          v-model:value="said"
          size="large"
          type="textarea"
          :rows="2"
          :placeholder="t('round.whatLike')"
          :input-props="{ 'aria-label': t('round.what') }"
          maxlength="300"
        />
        <photo-pick v-model="photo" :text="t('round.photo')" :again="t('round.photoTaken')" />
        <choice-pick
          v-model="follow"
          named
          :label="t('round.follow')"
          :choices="[
            { value: true, text: t('round.followYes') },
            { value: false, text: t('round.followNo') },
          ]"
        />
        <task-fields v-if="follow" v-model:owner="owner" v-model:due="due" />
        <n-button type="primary" class="keep" attr-type="submit" :disabled="!enough">{{
          t('round.keep')
        }}</n-button>
      </form>
    </template>
  </div>
</template>

<style scoped>
summary {
  min-height: 48px;
  display: flex;
  align-items: center;
  font-weight: 600;
  cursor: pointer;
}
.look,
form {
  display: grid;
  gap: 14px;
}
.look h2 {
  font-size: clamp(24px, 2.6vw, 34px);
  line-height: 1.15;
}
.label {
  margin-top: 12px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 16px;
}
.big {
  min-height: 110px;
  font-size: 28px;
}
form > :deep(.file) {
  justify-self: start;
}
.keep {
  min-height: 64px;
  font-size: 20px;
}
</style>
