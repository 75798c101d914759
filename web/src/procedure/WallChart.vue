<script setup lang="ts">
import {
  type Branch,
  forMachine,
  stepsOf,
  listing,
  numberOf,
  picturesOf,
  type Step,
} from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { useSite } from '../site/site.ts'
import { useChartWords } from './chart-words.ts'
import { useHaveReady } from './have-ready.ts'
import { useProcedures } from '../site/procedures.ts'
import StepPicture from '../site/StepPicture.vue'
import { askedOf, useStepWords } from '../site/step-words.ts'

/** A procedure for the wall: one station's numbers, one site's products, on a page or two. */
const props = defineProps<{ procedure: string }>()
const { t, te } = useI18n()
const site = useSite()
const haveReady = useHaveReady()
const route = useRoute()
const router = useRouter()
const { fill } = useStepWords()
const procedures = useProcedures()

const found = computed(() => procedures.latest(props.procedure))
const station = computed(() => {
  const id = route.query['station']
  return typeof id === 'string' ? site.one('station', id) : null
})
const parameters = computed(() => station.value?.plate?.parameters ?? {})
const options = computed(() => station.value?.plate?.options ?? {})
const lines = computed(() =>
  found.value ? listing(forMachine(found.value, parameters.value, options.value), options.value) : [],
)
const words = (text: string) => fill(text, parameters.value, found.value)
const { detail } = useChartWords(() => parameters.value)
const minutes = (step: Step) =>
  step.kind === 'wait' || step.kind === 'tend'
    ? typeof step.length === 'number' || step.length.of in parameters.value
      ? `${numberOf(step.length, parameters.value)} min`
      : 'min'
    : ''
const chosen = computed(() =>
  (found.value?.options ?? []).map((o) => ({
    question: o.question,
    says: o.choices.find((c) => c.id === (options.value[o.id] ?? o.fallback))?.says ?? '',
  })),
)
/** What a branch opens on, in words. */
function opensOn(group: Branch): string {
  const choices = stepsOf(found.value?.nodes ?? []).flatMap((s) =>
    s.kind === 'inspect' && s.id === group.on ? s.choices : [],
  )
  const is = group.is.map((x) => t(te(`run.choice.${x}`) ? `run.choice.${x}` : `verdict.${x}`))
  return [...is, ...(group.chose ?? []).map((id) => choices.find((c) => c.id === id)?.name ?? id)].join(', ')
}
const print = () => window.print()
</script>

<template>
  <article v-if="found" class="chart">
    <div class="tools">
      <n-button @click="router.back()">‹ {{ t('common.back') }}</n-button>
      <n-button type="primary" @click="print">{{ t('chart.print') }}</n-button>
    </div>
    <header>
      <h1>{{ found.name }}</h1>
      <p>
        {{ station?.plate ? `${station.plate.name}, ${station.plate.model}` : found.family }} ·
        {{ t('chart.version', { n: found.version }) }}
      </p>
      <p v-for="o in chosen" :key="o.question" class="small">{{ askedOf(o.question) }} {{ o.says }}.</p>
    </header>
    <section class="ready">
      <div>
        <h2>{{ t('run.materials') }}</h2>
        <p>{{ haveReady(found, options).join(' · ') }}</p>
      </div>
      <div class="cautions">
        <p v-for="c in found.cautions" :key="c">{{ c }}</p>
      </div>
    </section>
    <ol>
      <template v-for="(l, i) in lines" :key="i">
        <li v-if="l.kind === 'step'" :style="{ marginLeft: `${l.depth * 14}px` }" :class="l.step.kind">
          <span class="n">{{ l.number }}</span>
          <div>
            <b>{{ words(l.step.title) }}</b>
            <i v-if="l.step.who"> {{ t(`run.who.${l.step.who}`) }}</i>
            <span class="min">{{ minutes(l.step) }}</span>
            <p v-if="l.step.caution" class="caution">{{ l.step.caution }}</p>
            <p v-if="detail(l.step)" class="detail">{{ detail(l.step) }}</p>
            <p v-if="l.step.text">{{ words(l.step.text) }}</p>
            <p v-if="l.step.right" class="right">{{ l.step.right }}</p>
            <div v-if="picturesOf(l.step).length > 0" class="pictures">
              <step-picture v-for="p in picturesOf(l.step)" :key="p.sha256" :picture="p" />
            </div>
          </div>
        </li>
        <li v-else-if="l.kind === 'lane'" class="head" :style="{ marginLeft: `${l.depth * 14}px` }">
          {{ l.title }}
        </li>
        <li v-else class="head" :style="{ marginLeft: `${l.depth * 14}px` }">
          {{
            l.group.kind === 'until'
              ? t('chart.until', { sign: l.group.sign })
              : l.group.kind === 'each'
                ? t('chart.each', { unit: l.group.unit })
                : l.group.kind === 'together'
                  ? t('chart.together')
                  : t('chart.branch', { is: opensOn(l.group) })
          }}
        </li>
      </template>
    </ol>
    <footer class="small">{{ t('common.decides') }}</footer>
  </article>
  <p v-else class="chart">{{ t('run.unknownProcedure') }}</p>
</template>

<style scoped src="./wall-chart.css"></style>
