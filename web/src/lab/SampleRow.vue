<script setup lang="ts">
import type { SampleStands } from '@tadka/core/lab'
import type { AnyDraft } from '@tadka/core/stream'
import { foundWords } from '@tadka/words/happened'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSpanWords } from '../pieces/span-words.ts'
import VerdictMark from '../pieces/VerdictMark.vue'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useTeller } from '../site/teller.ts'
import { useTimes } from '../site/times.ts'
import SampleResultForm from './SampleResultForm.vue'

/** One sample: what was found, against whose limit, and what is done where it is not in range. */
const props = defineProps<{ sample: SampleStands }>()
const emit = defineEmits<{ made: [draft: AnyDraft] }>()
const { t } = useI18n()
const session = useSession()
const names = useNames()
const { day } = useTimes()
const tell = useTeller()
const span = useSpanWords()
const taken = computed(() => props.sample.taken)
const isOpen = ref(false)
const head = computed(() =>
  [
    t(`lab.kind.${taken.value.kind}`),
    taken.value.station ? names.station(taken.value.station) : '',
    taken.value.where,
  ]
    .filter(Boolean)
    .join(', '),
)
const said = computed(() =>
  props.sample.each.map((e, i) => ({
    key: `${e.found.of} ${i}`,
    verdict: e.verdict,
    text: `${foundWords(tell, e.found)}, ${
      e.rule
        ? t('lab.limit', { authority: e.rule.authority, limit: span(e.rule.limit, e.rule.unit) })
        : t('lab.noRule')
    }`,
  })),
)
const isUnruled = computed(() => props.sample.each.some((e) => e.rule === null))
const toCase = computed(() => ({
  path: '/log/case/new',
  query: {
    origin: 'inspection',
    ...(taken.value.station ? { station: taken.value.station } : {}),
    said: `${head.value}: ${props.sample.each.map((e) => foundWords(tell, e.found)).join(', ')}`.slice(
      0,
      300,
    ),
  },
}))
const toStop = computed(() => ({
  path: '/house/repairs',
  query: { station: taken.value.station ?? '', said: toCase.value.query.said },
}))
const report = computed(() =>
  props.sample.result?.report ? `/api/sites/${session.site}/photos/${props.sample.result.report}` : null,
)
</script>

<template>
  <li :class="sample.is">
    <h2>{{ head }}</h2>
    <p class="is">{{ t(`lab.is.${sample.is}`) }}</p>
    <p v-for="s in said" :key="s.key" class="found"><verdict-mark :verdict="s.verdict" /> {{ s.text }}</p>
    <p class="quiet small">
      {{
        t('lab.by', {
          ...{ when: day(taken.at), who: names.person(taken.by), lab: taken.lab, number: taken.number },
        })
      }}
    </p>
    <a v-if="report" :href="report" target="_blank" rel="noopener">{{ t('lab.report') }}</a>
    <template v-if="sample.is === 'open'">
      <p class="todo">{{ t(`lab.todo.${taken.kind}`) }}</p>
      <p v-if="session.mayDo('record')" class="acts">
        <router-link :to="toCase">{{ t('lab.case') }}</router-link>
        <router-link v-if="taken.station" :to="toStop">{{ t('lab.stop') }}</router-link>
      </p>
    </template>
    <router-link v-if="isUnruled && session.mayDo('set-up-house')" to="/house/rules">{{
      t('lab.enterRule')
    }}</router-link>
    <template v-if="session.mayDo('record')">
      <sample-result-form
        v-if="isOpen"
        :sample="sample"
        @made="(draft) => ((isOpen = false), emit('made', draft))"
        @cancel="isOpen = false"
      />
      <n-button v-else class="own" @click="isOpen = true">{{
        t(sample.result ? 'lab.change' : 'lab.enter')
      }}</n-button>
    </template>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  padding: 14px 0 16px;
  border-bottom: 1px solid var(--line);
}
.is {
  font-weight: 650;
}
.open .is {
  color: var(--out);
}
.todo {
  border-left: 5px solid var(--out);
  padding-left: 12px;
  font-weight: 600;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 18px;
}
a {
  display: inline-flex;
  min-height: 48px;
  align-items: center;
  font-weight: 600;
  justify-self: start;
}
.own {
  justify-self: start;
}
</style>
