<script setup lang="ts">
import { caseKindOf, caseParts, type CasePart as Part, type CaseState } from '@tadka/core/case'
import { readingsOf } from '@tadka/core/sheet'
import { actWords, caseTitle, endWords, readingWords } from '@tadka/words/sheet'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import PlaceBar from '../frame/PlaceBar.vue'
import ReasonForm from '../pieces/ReasonForm.vue'
import { useSession } from '../rights/session.ts'
import { useDaySheet } from '../sheet/day-sheet.ts'
import ReadingRow from '../sheet/ReadingRow.vue'
import { useSite } from '../site/site.ts'
import { useTeller } from '../site/teller.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { useTimes } from '../site/times.ts'
import CasePart from './CasePart.vue'
import { justOpened } from './opened.ts'

/** A corrective action, whole: what happened, what was done, why, what keeps it from happening again, checks after it, its end. */
const { t, tm } = useI18n()
const site = useSite()
const session = useSession()
const tell = useTeller()
const route = useRoute()
const router = useRouter()
const { date } = useTimes()

const id = computed(() => String(route.params['case']))
const day = computed(() => (typeof route.query['day'] === 'string' ? route.query['day'] : ''))
const { sheet, failed } = useDaySheet(day)
/** What this tablet knows of it is the newest; without it, what the day's sheet says. */
const story = computed<CaseState | null>(() => {
  const here = site.one('case', id.value)
  const held = here && 'status' in here ? (here as CaseState) : null
  const found = held ?? sheet.value?.cases.find((c) => c.id === id.value) ?? null
  return found?.status === 'void' ? null : found
})
const readings = computed(() => (sheet.value ? readingsOf(sheet.value) : []))
const openedBy = computed(() => readings.value.find((r) => r.record === id.value) ?? null)
/** Read again because of it. */
const rechecks = computed(() =>
  readings.value.filter((r) => r.reading.case === id.value && r.record !== id.value),
)
const title = computed(() =>
  story.value
    ? caseTitle(tell, story.value, openedBy.value && readingWords(tell, openedBy.value.reading))
    : '',
)
const isOpen = computed(() => story.value?.status === 'open' && session.mayDo('record'))
const like = (c: CaseState, part: Part) =>
  Object.values(tm(`case.suggest.${caseKindOf(c)}.${part}`) as Record<string, string>)

const closing = ref(false)
function close(reason: string): void {
  const c = story.value
  if (!c) return
  site.record('case.closed@1', { kind: 'case', id: c.id }, { case: c.id, station: c.station, reason })
  closing.value = false
}
function again(c: CaseState): void {
  if (c.run) void router.push(`/run/${c.run}`)
  else void router.push({ path: '/bench/check', query: { case: c.id } })
}
</script>

<template>
  <div class="story">
    <place-bar :title="t('case.title')" :under="story?.station ? tell.station(story.station) : ''">
      <take-back-now
        v-if="isOpen && justOpened?.subject.id === id"
        :draft="justOpened"
        class="no-print"
        @back="router.replace(`/log?day=${day}`)"
      />
      <router-link :to="`/log?day=${day}`" class="back no-print">{{ t('case.days') }}</router-link>
    </place-bar>
    <p v-if="!story" class="none" role="status">
      {{ t(failed ? 'case.whole' : day && !sheet ? 'case.reading' : 'case.gone') }}
    </p>
    <div v-else class="body">
      <p class="what">{{ title }}</p>
      <p class="quiet">
        {{
          t('case.opened', {
            time: `${date(story.openedAt)} ${tell.clock(story.openedAt)}`,
            who: tell.person(story.by),
          })
        }}
        <template v-if="story.origin">{{ t(`case.origins.${story.origin}`) }}.</template>
        <template v-if="failed">{{ t('case.whole') }}</template>
      </p>
      <ul v-if="openedBy">
        <reading-row :line="openedBy" />
      </ul>
      <case-part
        v-for="part in caseParts"
        :key="part"
        :of="story"
        :part="part"
        :like="like(story, part)"
        :may="isOpen"
      >
        <template v-if="part === 'immediate' && story.actions.length > 0" #default>
          <p v-for="(a, i) in story.actions" :key="i" class="said">
            {{ actWords(tell, a) }} <span class="quiet">{{ tell.clock(a.at) }} {{ tell.person(a.by) }}</span>
          </p>
        </template>
      </case-part>
      <section>
        <h2>{{ t('case.ended') }}</h2>
        <ul v-if="rechecks.length > 0">
          <reading-row v-for="r in rechecks" :key="r.record" :line="r" />
        </ul>
        <p class="end" :class="story.status">
          {{ endWords(tell, story) }} {{ story.endedBy ? tell.person(story.endedBy) : '' }}
        </p>
        <div v-if="isOpen" class="acts no-print">
          <n-button v-if="story.what !== null" type="primary" @click="again(story)">{{
            t(story.run ? 'case.toRun' : 'case.recheck')
          }}</n-button>
          <n-button v-if="session.mayDo('close-case') && !closing" @click="closing = true">{{
            t('case.close')
          }}</n-button>
        </div>
        <reason-form
          v-if="isOpen && closing"
          :label="t('case.closeReason')"
          :like="t('case.closeLike')"
          :act="t('case.close')"
          @said="close"
        />
        <p v-if="isOpen && !session.mayDo('close-case')" class="quiet">{{ t('case.closeHow') }}</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.body,
.none {
  padding: 4px var(--gutter) 40px;
  max-width: 900px;
}
.what {
  font-size: 26px;
  font-weight: 650;
  line-height: 1.2;
}
.back {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
section {
  padding: 14px 0 4px;
  border-top: 1px solid var(--line);
}
h2 {
  font-size: 20px;
  font-weight: 650;
}
.said,
.end {
  font-size: 19px;
  padding: 4px 0;
}
.end.open {
  color: var(--out);
  font-weight: 600;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  padding: 8px 0;
}
.acts :deep(.n-button) {
  min-height: 60px;
  min-width: 160px;
}
</style>
