<script setup lang="ts">
import { judgeSanitizer, modelCode, type StripPick } from '@tadka/core/rules'
import { instant, interval, millilitres } from '@tadka/core/quantity'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useTheme } from '../look/theme.ts'
import { bandsOf } from '../pieces/band.ts'
import BandRuler from '../pieces/BandRuler.vue'
import FigureField from '../pieces/FigureField.vue'
import HoldButton from '../pieces/HoldButton.vue'
import JugDrawing from '../pieces/JugDrawing.vue'
import NumberPad from '../pieces/NumberPad.vue'
import StripPicker from '../pieces/StripPicker.vue'
import TimerFigure from '../pieces/TimerFigure.vue'
import VerdictMark from '../pieces/VerdictMark.vue'
import WaitRope from '../pieces/WaitRope.vue'

/** Every piece of the look on one page, for whoever builds with them. Development only. */
const { choice, isDark } = useTheme()
const typed = ref('26')
const pick = ref<StripPick | null>({ between: [50, 100] })
const held = ref(0)
const verdicts = ['in', 'too-close', 'out', 'cannot-tell'] as const
const strip = {
  name: 'Chlorine strips',
  blocks: [0, 50, 100, 150, 200],
  colours: ['#f4efe6', '#ded3e2', '#bda9cf', '#967fb6', '#6c5597'],
  unit: 'ppm',
}
const tool = {
  name: '150 mL jug',
  capacity: millilitres(150),
  graduation: millilitres(5),
  error: millilitres(2),
}
const label = {
  name: 'label',
  range: { lo: 100, hi: 200 },
  temperature: null,
  hardestWater: null,
  contactSeconds: 60,
}
const readings = [interval(125, 175), interval(50, 100), interval(0, 25), null]
const bands = computed(() =>
  readings.flatMap((strength) =>
    bandsOf(
      judgeSanitizer(modelCode, {
        agent: 'chlorine',
        strength,
        ph: interval(7, 7),
        hardness: null,
        temperature: { unit: '°C', reading: interval(30, 30) },
        label,
      }),
    ),
  ),
)
const at = instant(1_000_000)
</script>

<template>
  <main class="gallery">
    <h1>Pieces</h1>
    <n-button @click="choice = isDark ? 'light' : 'dark'">{{ isDark ? 'Light' : 'Dark' }}</n-button>
    <section>
      <h2>Verdict marks</h2>
      <p class="row"><verdict-mark v-for="v in verdicts" :key="v" :verdict="v" :size="32" /></p>
    </section>
    <section>
      <h2>Band</h2>
      <band-ruler
        v-for="(b, i) in bands"
        :key="i"
        :model="b"
        :after="i === 1 ? interval(125, 175) : null"
        after-label="after 12 mL"
      />
      <p class="row"><band-ruler v-for="(b, i) in bands" :key="i" :model="b" :width="150" small /></p>
    </section>
    <section class="two">
      <div>
        <h2>Number pad</h2>
        <figure-field id="g-water" v-model="typed" label="Water" unit="°C" active />
        <number-pad v-model="typed" />
      </div>
      <div>
        <h2>Strip</h2>
        <strip-picker v-model="pick" v-bind="strip" />
        <h2>Held</h2>
        <hold-button @held="held += 1">Hold to confirm</hold-button>
        <p data-testid="held">{{ held }}</p>
      </div>
    </section>
    <section class="two">
      <div>
        <h2>Jug</h2>
        <jug-drawing :tool="tool" :pour="57" :height="360" />
      </div>
      <div>
        <h2>Timer and rope</h2>
        <timer-figure :started-at="at - 180_000" :ends-at="at + 120_000" :now="at" />
        <wait-rope label="Ice parts soaking" :started-at="at - 60_000" :ends-at="at + 680_000" :now="at" />
        <wait-rope label="Top up the reservoir" :started-at="at - 60_000" :ends-at="at - 12_000" :now="at" />
      </div>
    </section>
  </main>
</template>

<style scoped>
.gallery {
  padding: 24px;
  max-width: 1100px;
}
section {
  padding: 20px 0;
  border-top: 1px solid var(--line);
  margin-top: 20px;
}
.row {
  display: flex;
  gap: 32px;
  margin: 14px 0;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 48px;
}
</style>
