<script setup lang="ts">
import type { RerunState } from '@tadka/core/rerun'
import { NButton, NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { numberIn } from '../pieces/field.ts'
import { useKit } from '../site/kit.ts'
import { useUnits } from '../site/units.ts'
import { useReruns } from './reruns.ts'

/** One container of kept mix: its label, whether it may be used, its temperature now, and its end. */
const props = defineProps<{ rerun: RerunState }>()
const { t } = useI18n()
const kit = useKit()
const units = useUnits()
const { labelOf, stands, say, lastOf, read, throwOut } = useReruns()

const unit = computed(() => kit.thermometers.value[0]?.unit ?? units.degree.value)
const typed = ref('')
const value = computed(() => numberIn(typed.value, true))
const now = computed(() => stands(props.rerun))
function save(): void {
  if (value.value === null) return
  read(props.rerun, { value: value.value, unit: unit.value })
  typed.value = ''
}
const out = () =>
  throwOut(props.rerun, t(`rerun.why.${now.value.is === 'throw-out' ? now.value.why : 'other'}`))
</script>

<template>
  <div class="card" :class="now.is">
    <ul>
      <li v-for="(line, i) in labelOf({ ...rerun, read: null })" :key="i" :class="{ first: i === 0 }">
        {{ line }}
      </li>
    </ul>
    <p class="stands">
      {{ say(rerun) }} <span v-if="lastOf(rerun)" class="quiet">{{ lastOf(rerun) }}</span>
    </p>
    <form v-if="now.is === 'read-first' || now.is === 'use'" @submit.prevent="save">
      <n-input
        v-model:value="typed"
        :placeholder="unit"
        :input-props="{ 'aria-label': t('rerun.readNow'), inputmode: 'decimal', autocomplete: 'off' }"
      />
      <n-button attr-type="submit" :disabled="value === null">{{ t('rerun.saveRead') }}</n-button>
    </form>
    <router-link :to="`/shift/label/${rerun.id}`" class="print">{{ t('rerun.printLabel') }}</router-link>
    <slot />
    <n-button @click="out">{{ t('rerun.throwOut') }}</n-button>
  </div>
</template>

<style scoped>
.print {
  font-weight: 600;
}
.card {
  display: grid;
  gap: 8px;
  border-top: 3px solid var(--close);
  padding: 10px 0 14px;
}
.card.throw-out {
  border-top-color: var(--out);
}
.card.use {
  border-top-color: var(--in);
}
.first {
  font-weight: 650;
}
li:not(.first) {
  font-size: 15px;
  color: var(--ink-2);
}
.stands {
  font-weight: 600;
}
.throw-out .stands {
  color: var(--out);
}
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 8px;
}
</style>
