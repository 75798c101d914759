<script setup lang="ts">
import { likelyPlaces, pestCauses, type PestCause, type PestState } from '@tadka/core/pest'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import ReasonForm from '../pieces/ReasonForm.vue'
import TextField from '../pieces/TextField.vue'
import { useSession } from '../rights/session.ts'
import { useRoundWords } from '../round/round-words.ts'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import TaskFields from '../task/TaskFields.vue'
import { useTasks } from '../task/tasks.ts'

/** One thing that was seen: why it is here, what is done about that by whom, and when it is settled. */
const props = defineProps<{ seen: PestState & { seen: NonNullable<PestState['seen']> } }>()
const { t } = useI18n()
const site = useSite()
const session = useSession()
const names = useNames()
const { day, clock } = useTimes()
const { asks } = useRoundWords()
const { today, write, said: taskSaid, open } = useTasks()

const to = computed(() => ({ kind: 'pest', id: props.seen.id }) as const)
const cause = ref<PestCause | null>(props.seen.caused?.cause ?? null)
const causeSaid = ref(props.seen.caused?.said ?? '')
const owner = ref<string | null>(null)
const due = ref(today.value)
const tasks = computed(() => open.value.filter((o) => o.from?.kind === 'pest' && o.from.id === props.seen.id))
const places = computed(() =>
  likelyPlaces(props.seen.seen.pest)
    .map((what) => asks({ kind: 'usual', what }))
    .join(' · '),
)
const head = computed(() => {
  const { pest, sign } = props.seen.seen
  return `${t(`pest.kind.${pest ?? 'unknown'}`)}: ${t(`pest.sign.${sign}`)}`
})
/** What is chosen and typed is what the log has. */
const isTold = computed(
  () =>
    props.seen.caused?.cause === cause.value && (props.seen.caused?.said ?? '') === causeSaid.value.trim(),
)
function tell(): void {
  if (cause.value)
    site.record('pest.caused@1', to.value, { cause: cause.value, said: causeSaid.value.trim() })
}
function task(what: string): void {
  const from = { kind: 'pest', id: props.seen.id } as const
  write({ say: what.slice(0, 200), area: props.seen.seen.area, owner: owner.value, due: due.value, from })
}
const settle = (said: string) => site.record('pest.settled@1', to.value, { said })
const photo = computed(() =>
  props.seen.seen.photo ? `/api/sites/${session.site}/photos/${props.seen.seen.photo}` : null,
)
</script>

<template>
  <li>
    <h2>{{ head }}</h2>
    <p>{{ [seen.seen.area, seen.seen.said].filter(Boolean).join(': ') }}</p>
    <p class="quiet small">
      {{
        t('pest.by', { when: `${day(seen.seen.at)} ${clock(seen.seen.at)}`, who: names.person(seen.seen.by) })
      }}
    </p>
    <img v-if="photo" :src="photo" :alt="head" />
    <p class="small">{{ t('pest.look', { places }) }}</p>
    <choice-pick
      v-model="cause"
      named
      :label="t('pest.cause.title')"
      :choices="pestCauses.map((c) => ({ value: c, text: t(`pest.cause.${c}`) }))"
    />
    <template v-if="cause">
      <text-field
        v-model="causeSaid"
        large
        :name="t('pest.causeSaid')"
        :example="t('pest.causeLike')"
        :most="300"
      />
      <n-button v-if="!isTold" size="large" class="keep" @click="tell">{{ t('pest.causeKeep') }}</n-button>
    </template>
    <p v-for="o in tasks" :key="o.id">
      <router-link :to="`/shift/tasks/${o.id}`">{{ t('pest.task', { say: o.say }) }}</router-link>
      <span class="quiet small"> {{ taskSaid(o) }}</span>
    </p>
    <fieldset v-if="isTold && seen.caused && seen.caused.said !== '' && tasks.length === 0">
      <legend>{{ t('pest.close') }}</legend>
      <task-fields v-model:owner="owner" v-model:due="due" />
      <n-button size="large" class="keep" @click="task(seen.caused.said)">{{ t('pest.addTask') }}</n-button>
    </fieldset>
    <reason-form
      v-if="session.mayDo('close-case')"
      :label="t('pest.settleWhy')"
      :like="t('pest.settleLike')"
      :act="t('pest.settle')"
      @said="settle"
    />
  </li>
</template>

<style scoped>
.keep {
  justify-self: start;
}
li {
  display: grid;
  gap: 10px;
  padding: 14px 0 18px;
  border-bottom: 1px solid var(--line);
}
img {
  max-width: 320px;
  border-radius: var(--r);
}
fieldset {
  display: grid;
  gap: 12px;
  border: 0;
  border-left: 3px solid var(--line);
  padding: 4px 0 6px 16px;
}
legend {
  font-weight: 650;
}
a {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
</style>
