<script setup lang="ts">
import type { AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import ManyPick from '../pieces/ManyPick.vue'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { useTimes } from '../site/times.ts'
import { useHuddle } from './huddle.ts'
import { useStandings } from './standings.ts'

/** Before the shift: one thing in two minutes, to be read out; who was there goes on record. */
const { t } = useI18n()
const site = useSite()
const session = useSession()
const names = useNames()
const standings = useStandings()
const { clock } = useTimes()
const { held, lessons, nameOf, whyOf } = useHuddle()

const at = ref(0)
const lesson = computed(() => lessons.value[at.value % Math.max(1, lessons.value.length)] ?? null)
/** Who works now first; nobody is there until somebody says so. */
const people = computed(() =>
  session.everyone
    .filter((p) => p.id !== session.acting?.id)
    .toSorted((a, b) => Number(standings.isOnShiftNow(b.id)) - Number(standings.isOnShiftNow(a.id)))
    .map((p) => ({ value: p.id, text: p.name })),
)
const there = ref<readonly string[]>([])
const made = ref<AnyDraft | null>(null)
const mayTell = computed(() => session.mayDo('sign-shift'))
function keep(): void {
  if (!lesson.value || there.value.length === 0) return
  const { topic, procedure, station } = lesson.value
  const day = standings.today.value
  const payload = { day, topic, procedure, station, there: there.value }
  made.value = site.record('huddle.held@1', { kind: 'shift', id: day }, payload)
  there.value = []
  at.value = 0
}
const tonight = computed(() => held.value.filter((h) => h.day === standings.today.value))
</script>

<template>
  <div>
    <place-bar :title="t('huddle.title')">
      <router-link to="/shift" class="link">‹ {{ t('place.shift') }}</router-link>
    </place-bar>
    <div class="body">
      <p v-for="h in tonight" :key="h.at" class="held" role="status">
        {{
          t('huddle.held', {
            time: clock(h.at),
            lesson: nameOf(h),
            people: h.there.map(names.person).join(', '),
          })
        }}
      </p>
      <take-back-now v-if="made" :draft="made" @back="made = null" />
      <p v-if="!site.loaded" role="status">{{ t('common.loading') }}</p>
      <p v-else-if="!lesson">{{ t('huddle.none') }}</p>
      <article v-else>
        <h2>{{ nameOf(lesson) }}</h2>
        <p class="why">{{ whyOf(lesson) }}</p>
        <h3 class="label">{{ t('huddle.say') }}</h3>
        <p class="tell">{{ t(`huddle.tell.${lesson.topic}`) }}</p>
        <h3 class="label">{{ t('huddle.ask') }}</h3>
        <p class="tell">{{ t(`huddle.question.${lesson.topic}`) }}</p>
        <p class="right">
          <b>{{ t('huddle.answer') }}:</b> {{ t(`huddle.right.${lesson.topic}`) }}
        </p>
        <template v-if="mayTell">
          <many-pick v-model="there" :label="t('huddle.there')" :choices="people" />
          <div class="act">
            <n-button type="primary" class="keep" :disabled="there.length === 0" @click="keep">{{
              t('huddle.keep')
            }}</n-button>
            <n-button v-if="lessons.length > 1" size="large" @click="at += 1">{{
              t('huddle.other')
            }}</n-button>
            <span v-if="there.length === 0" class="quiet">{{ t('huddle.pickFirst') }}</span>
          </div>
        </template>
      </article>
    </div>
  </div>
</template>

<style scoped>
.body {
  padding: 4px var(--gutter) 32px;
  max-width: 1000px;
  display: grid;
  gap: 16px;
}
article {
  display: grid;
  gap: 10px;
}
h2 {
  font-size: clamp(28px, 3vw, 40px);
  line-height: 1.15;
}
.why {
  font-size: 19px;
  color: var(--ink-2);
}
.label {
  margin-top: 6px;
}
.tell {
  font-size: clamp(20px, 2vw, 26px);
  line-height: 1.3;
  max-width: 36em;
}
.right {
  font-size: 19px;
}
.held {
  padding: 10px 16px;
  border-left: 5px solid var(--in);
  font-weight: 600;
}
.act {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
  margin-top: 6px;
}
.keep {
  min-height: 72px;
  min-width: 220px;
  font-size: 22px;
}
</style>
