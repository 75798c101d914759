<script setup lang="ts">
import { signOffEnds, type SignOffEnd } from '@tadka/core/training'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import ReasonForm from '../pieces/ReasonForm.vue'
import DialogCard from '../pieces/DialogCard.vue'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useCard, type CardRow } from './card.ts'
import SignOffDialog from './SignOffDialog.vue'
import { useStandings } from './standings.ts'
import { useTrainingWords } from './training-words.ts'

/** What somebody may do alone, what they have shown of the rest, and what is left; a lead signs them off from here. */
const props = defineProps<{ person: string }>()
const { t } = useI18n()
const session = useSession()
const site = useSite()
const names = useNames()
const words = useTrainingWords()
const { nameOf } = useStandings()
const { rows, rule, failed } = useCard(() => props.person)
/** What they learn first; what nobody has begun to teach them opens by a tap. */
const groups = computed(() =>
  (['with-somebody', 'alone', 'no'] as const)
    .map((may) => ({ may, rows: rows.value.filter((r) => r.standing.may === may) }))
    .filter((g) => g.rows.length > 0),
)

const isOwn = computed(() => session.acting?.id === props.person)
const maySign = computed(() => session.mayDo('sign-off') && !isOwn.value)
const signing = ref<CardRow | null>(null)
const ending = ref<CardRow | null>(null)
const why = ref<SignOffEnd>('verification')
function end(note: string): void {
  if (!ending.value) return
  const { procedure } = ending.value.standing
  const subject = { kind: 'training', id: props.person } as const
  site.record('training.ended@1', subject, { procedure, why: why.value, note })
  ending.value = null
}
</script>

<template>
  <div class="card">
    <p v-if="failed" role="status">{{ t('training.notCounted') }}</p>
    <p v-if="rows.length === 0" class="quiet">{{ t('training.nothing') }}</p>
    <component :is="g.may === 'no' ? 'details' : 'section'" v-for="g in groups" :key="g.may" :class="g.may">
      <component :is="g.may === 'no' ? 'summary' : 'div'">
        <h2>{{ t(`training.list.${g.may}`) }} ({{ g.rows.length }})</h2>
      </component>
      <ul>
        <li v-for="r in g.rows" :key="r.procedure.id">
          <div class="what">
            <b>{{ nameOf(r.procedure) }}</b>
            <span class="may"><span aria-hidden="true" class="mark" />{{ words.may(r.standing) }}</span>
            <span v-if="r.standing.lapse" class="lapse">{{ words.lapse(r.standing.lapse) }}</span>
            <span v-else-if="r.standing.signed" class="quiet">{{ words.signed(r.standing.signed) }}</span>
          </div>
          <dl>
            <div>
              <dt>{{ t('training.shown') }}</dt>
              <dd>{{ r.counted?.shown ?? '…' }}</dd>
            </div>
            <div>
              <dt>{{ t('training.watched') }}</dt>
              <dd>
                {{ r.counted ? t('training.times', { n: r.counted.watched, of: rule.watched }) : '…' }}
              </dd>
            </div>
            <div>
              <dt>{{ t('training.check') }}</dt>
              <dd>{{ words.passed(r.standing.passedAt) }}</dd>
            </div>
          </dl>
          <div class="acts">
            <slot name="act" :row="r" />
            <n-button v-if="maySign && r.ready" type="primary" size="large" @click="signing = r">{{
              t('training.signOff')
            }}</n-button>
            <n-button v-if="maySign && g.may === 'alone'" size="large" @click="ending = r">{{
              t('training.end')
            }}</n-button>
          </div>
          <p v-if="r.left && g.may === 'with-somebody'" class="left">{{ words.left(r.left) }}</p>
        </li>
      </ul>
    </component>
    <sign-off-dialog v-if="signing" :person="person" :procedure="signing.procedure" @close="signing = null" />
    <dialog-card
      :show="ending !== null"
      :title="t('training.endSay', { name: names.person(person) })"
      width="min(520px, 94vw)"
      @update:show="ending = null"
    >
      <p>{{ ending && nameOf(ending.procedure) }}</p>
      <choice-pick
        v-model="why"
        :label="t('training.endSay', { name: names.person(person) })"
        :choices="signOffEnds.map((e) => ({ value: e, text: t(`training.ends.${e}`) }))"
      />
      <reason-form
        :label="t('training.endWhy')"
        :like="t('training.endLike')"
        :act="t('training.takeBack')"
        @said="end"
      />
    </dialog-card>
  </div>
</template>

<style scoped>
.card {
  display: grid;
  gap: 24px;
}
summary {
  cursor: pointer;
  min-height: 48px;
  display: flex;
  align-items: center;
}
summary::before {
  content: '+';
  font-size: 24px;
  width: 24px;
}
details[open] summary::before {
  content: '–';
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1.25fr) minmax(0, 0.7fr);
  gap: 4px 24px;
  align-items: center;
  padding: 12px 0;
  border-bottom: 1px solid var(--line-soft);
}
.left {
  grid-column: 1 / -1;
  color: var(--ink-2);
}
.what {
  display: grid;
  gap: 2px;
}
.what b {
  font-size: 18px;
}
.may {
  display: flex;
  gap: 8px;
  align-items: center;
  font-weight: 600;
}
.mark {
  width: 16px;
  height: 16px;
  border: 2.5px solid var(--ink-3);
  border-radius: 3px;
}
.alone .mark {
  background: var(--in);
  border-color: var(--in);
}
.with-somebody .mark {
  background: linear-gradient(90deg, var(--ink-3) 50%, transparent 50%);
}
.lapse {
  color: var(--out);
  font-weight: 600;
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 26px;
  margin: 0;
}
dt {
  font-size: 14px;
  color: var(--ink-2);
}
dd {
  margin: 0;
  font-weight: 600;
  font-variant-numeric: tabular-nums;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  justify-content: flex-end;
  align-items: center;
}
@media (max-width: 760px) {
  li {
    grid-template-columns: 1fr;
  }
  .acts {
    justify-content: flex-start;
  }
}
</style>
