<script setup lang="ts">
import {
  countFacts,
  isUncounted,
  mostOfPart,
  movedParts,
  type Facts,
  type Part,
  type Step,
} from '@tadka/core/procedure'
import { useLocalStorage } from '@vueuse/core'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import HoldButton from '../../pieces/HoldButton.vue'
import StepPicture from '../../site/StepPicture.vue'

/** Parts counted out or in, each piece by a tap; one too many is taken back by its own control; a reload keeps the count. */
const props = defineProps<{
  step: Step & { kind: 'parts' }
  /** Names this count, so that a reload finds it. */
  name: string
  blocked: boolean
  /** Only tried: nothing can be missing. */
  trial: boolean
}>()
const emit = defineEmits<{ counted: [facts: Facts]; missing: [part: string] }>()
const { t } = useI18n()

const counts = useLocalStorage<Record<string, number>>(`tadka.count.${props.name}`, {})
const moved = computed(() => movedParts(props.step))
const of = (part: Part) => counts.value[part.id] ?? 0
const counted = computed(() => moved.value.reduce((n, p) => n + of(p), 0))
/** How many there are is not known before they lie on the tray. */
const isOpen = (part: Part) => isUncounted(props.step, part)
const leastOf = (part: Part) => (isOpen(part) ? 1 : part.count)
const short = computed(() => moved.value.filter((p) => of(p) < leastOf(p)))
/** Of these every piece is known. */
const missable = computed(() => short.value.filter((p) => !isOpen(p)))
const move = (part: Part, by: 1 | -1) =>
  (counts.value = {
    ...counts.value,
    [part.id]: Math.min(isOpen(part) ? mostOfPart : part.count, Math.max(0, of(part) + by)),
  })

const asking = ref(false)
const lost = ref<Part | null>(null)
function done(): void {
  emit('counted', countFacts(props.step, counts.value))
  counts.value = {}
}
</script>

<template>
  <div class="parts">
    <ul>
      <li v-for="part in moved" :key="part.id" :class="{ full: of(part) >= leastOf(part) }">
        <button
          type="button"
          class="up"
          :disabled="blocked"
          :aria-label="
            t(isOpen(part) ? 'run.countOpenUp' : 'run.countUp', {
              part: part.name,
              n: of(part),
              of: part.count,
            })
          "
          @click="move(part, 1)"
        >
          <step-picture v-if="part.picture" class="seen" :picture="part.picture" small />
          <span class="name">{{ part.name }}</span>
          <span v-if="!isOpen(part) && part.count <= 6" class="dots" aria-hidden="true">
            <i v-for="n in part.count" :key="n" :class="{ on: n <= of(part) }" />
          </span>
          <span class="count">{{
            t(isOpen(part) ? 'run.countOpen' : 'run.count', { n: of(part), of: part.count })
          }}</span>
        </button>
        <button
          type="button"
          class="down"
          :disabled="blocked || of(part) === 0"
          :aria-label="t('run.countDown', { part: part.name })"
          @click="move(part, -1)"
        >
          −
        </button>
      </li>
    </ul>
    <div v-if="!asking" class="act">
      <n-button type="primary" class="big" :disabled="short.length > 0 || blocked" @click="done">
        {{ t('run.allCounted', { n: counted }) }}
      </n-button>
      <n-button v-if="missable.length > 0 && !trial" class="alt" :disabled="blocked" @click="asking = true">{{
        t('run.oneMissing')
      }}</n-button>
      <p v-if="counted > 0 && short.length > 0 && short.length <= 3" class="missing">
        {{ t('run.stillToCount', { parts: short.map((p) => p.name).join(', ') }) }}
      </p>
    </div>
    <div v-else class="ask">
      <h2>{{ t('run.whichMissing') }}</h2>
      <div class="which">
        <n-button
          v-for="part in missable"
          :key="part.id"
          class="alt"
          :type="lost?.id === part.id ? 'primary' : 'default'"
          :aria-pressed="lost?.id === part.id"
          @click="lost = part"
          >{{ part.name }}</n-button
        >
      </div>
      <p class="missing">{{ t('run.missingMeans') }}</p>
      <div class="act">
        <hold-button :disabled="lost === null" @held="lost && emit('missing', lost.id)">{{
          t('run.holdMissing')
        }}</hold-button>
        <n-button class="alt" @click="asking = false">{{ t('run.backToCount') }}</n-button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.parts {
  flex: 1 0 auto;
  display: flex;
  flex-direction: column;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 10px;
  margin-top: 14px;
}
li {
  display: grid;
  grid-template-columns: 1fr 64px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
}
.up,
.down {
  border: 0;
  background: none;
  cursor: pointer;
  min-height: 64px;
}
.up {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
  gap: 2px 14px;
  padding: 6px 14px;
  text-align: left;
  min-width: 0;
}
.down {
  border-left: 1.5px solid var(--line);
  font-size: 30px;
  color: var(--ink-2);
}
.down:disabled {
  opacity: 0.35;
  cursor: default;
}
.up:has(.seen) {
  grid-template-columns: auto 1fr auto;
}
.seen {
  grid-row: 1 / 3;
}
.up:has(.seen) .count {
  grid-column: 2;
}
.up:has(.seen) .dots {
  grid-column: 3;
}
.name {
  font-size: 19px;
  line-height: 1.15;
  font-weight: 600;
}
.count {
  grid-column: 1;
  font-size: 15px;
  color: var(--ink-2);
}
.dots {
  grid-row: 1 / 3;
  grid-column: 2;
  display: flex;
  flex-wrap: wrap;
  justify-content: flex-end;
  max-width: 70px;
  gap: 5px;
}
.dots i {
  width: 16px;
  height: 16px;
  border-radius: 50%;
  border: 2.5px solid var(--ink-3);
}
.dots i.on {
  background: var(--sea);
  border-color: var(--sea);
}
.full {
  background: var(--sea-wash);
  border-color: var(--sea);
}
.act {
  margin-top: auto;
  padding-top: 16px;
  display: flex;
  flex-wrap: wrap;
  gap: 14px 18px;
  align-items: center;
}
.ask {
  margin-top: 18px;
  padding-top: 14px;
  border-top: 3px solid var(--out);
}
.which {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 10px 0;
}
.missing {
  max-width: 30em;
  font-weight: 600;
}
@media (max-width: 760px) {
  ul {
    grid-template-columns: 1fr;
  }
}
</style>
