<script setup lang="ts">
import { unseenOf, type RoundPoint, type WalkOpen } from '@tadka/core/round'
import { NButton, useMessage } from 'naive-ui'
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import PlaceBar from '../frame/PlaceBar.vue'
import ReasonForm from '../pieces/ReasonForm.vue'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { useTimes } from '../site/times.ts'
import PointLook from './PointLook.vue'
import { useRoundWords } from './round-words.ts'
import { begun, useRounds } from './rounds.ts'

/** A round under way: its points by area, and the one where somebody stands now. */
const props = defineProps<{ round: string; walk: string }>()
const { t } = useI18n()
const site = useSite()
const names = useNames()
const router = useRouter()
const message = useMessage()
const { clock } = useTimes()
const { asks } = useRoundWords()
const { to } = useRounds()

const state = computed(() => site.one('round', props.round))
const walk = computed(() => state.value?.open.find((w) => w.walk === props.walk) ?? null)
const unseen = computed(() => (walk.value ? unseenOf(walk.value) : []))
/** The point somebody went back to; else the next that nobody has looked at. */
const back = ref<string | null>(null)
const point = computed(() => walk.value?.asked.find((p) => p.id === back.value) ?? unseen.value[0] ?? null)
watch(
  () => Object.keys(walk.value?.told ?? {}).length,
  () => (back.value = null),
)
/** Neighbours in the walk that stand in one area, under its name. */
const areas = computed(() => {
  const found: { area: string; points: RoundPoint[] }[] = []
  for (const p of walk.value?.asked ?? []) {
    const last = found.at(-1)
    if (last?.area === p.area) last.points.push(p)
    else found.push({ area: p.area, points: [p] })
  }
  return found
})
const toldOf = (w: WalkOpen, p: RoundPoint) => {
  const told = w.told[p.id]
  if (!told) return t('round.notYet')
  return told.fine ? t('round.isFine') : t('round.isWrong', { said: told.said })
}
const under = computed(() =>
  walk.value
    ? t('round.under', {
        done: walk.value.asked.length - unseen.value.length,
        of: walk.value.asked.length,
        time: clock(walk.value.at),
        who: names.person(walk.value.by),
      })
    : '',
)
/** Begun here by a stray tap, and nothing told yet. */
const undoes = computed(() => {
  const draft = begun.value
  const isThis = draft?.type === 'walk.begun@1' && draft.payload.walk === props.walk
  return isThis && Object.keys(walk.value?.told ?? {}).length === 0 ? draft : null
})
function end(left: string | null): void {
  site.record('walk.ended@1', to(props.round), { walk: props.walk, left })
  message.success(t('round.ended'))
  void router.push('/shift')
}
</script>

<template>
  <div>
    <place-bar :title="state?.round?.name ?? t('round.title')" :under="under">
      <router-link to="/shift" class="link">‹ {{ t('place.shift') }}</router-link>
    </place-bar>
    <p v-if="!walk" class="gone" role="status">
      {{ t('round.gone') }} <router-link to="/shift/rounds">{{ t('round.title') }}</router-link>
    </p>
    <div v-else class="walk">
      <nav :aria-label="t('round.set.points')">
        <template v-for="(a, i) in areas" :key="i">
          <h2 class="label">{{ a.area }}</h2>
          <ul>
            <li v-for="p in a.points" :key="p.id">
              <button
                type="button"
                :aria-current="p.id === point?.id ? 'step' : undefined"
                :class="{ wrong: walk.told[p.id]?.fine === false, seen: walk.told[p.id] }"
                @click="back = p.id"
              >
                <span>{{ asks(p.ask) }}</span>
                <span class="small told">{{ toldOf(walk, p) }}</span>
              </button>
            </li>
          </ul>
        </template>
      </nav>
      <section>
        <point-look
          v-if="point"
          :key="`${point.id} ${walk.told[point.id]?.at}`"
          :round="props.round"
          :walk="walk"
          :point="point"
        />
        <p v-else class="whole">{{ t('round.whole') }}</p>
        <take-back-now v-if="undoes" :draft="undoes" @back="router.push('/shift')" />
        <n-button v-if="unseen.length === 0" type="primary" class="end" @click="end(null)">{{
          t('round.end')
        }}</n-button>
        <details v-else class="leave">
          <summary>{{ t('round.leave') }}</summary>
          <reason-form
            :label="t('round.leaveWhy')"
            :like="t('round.leaveLike')"
            :act="t('round.leave')"
            @said="end"
          />
        </details>
      </section>
    </div>
  </div>
</template>

<style scoped>
.gone {
  padding: 16px var(--gutter);
}
.walk {
  display: grid;
  grid-template-columns: 400px minmax(0, 1fr);
  gap: 36px;
  padding: 0 var(--gutter) 24px;
}
nav .label {
  margin-top: 12px;
}
li button {
  width: 100%;
  min-height: 56px;
  padding: 8px 12px;
  border: 0;
  border-bottom: 1px solid var(--line-soft);
  border-left: 5px solid transparent;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  display: grid;
  gap: 2px;
  cursor: pointer;
}
li button[aria-current] {
  border-left-color: var(--sea);
  background: var(--raised);
  font-weight: 650;
}
.told {
  font-weight: 400;
  color: var(--ink-2);
}
.seen .told {
  color: var(--in);
  font-weight: 600;
}
.wrong .told {
  color: var(--out);
}
section {
  display: grid;
  gap: 18px;
  align-content: start;
}
.whole {
  font-size: 28px;
  font-weight: 650;
  padding-top: 16px;
}
.end {
  min-height: 84px;
  font-size: 24px;
}
summary {
  min-height: 48px;
  display: flex;
  align-items: center;
  font-weight: 600;
  cursor: pointer;
}
@media (max-width: 760px) {
  .walk {
    grid-template-columns: minmax(0, 1fr);
  }
  section {
    grid-row: 1;
  }
}
</style>
