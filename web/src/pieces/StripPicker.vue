<script setup lang="ts">
import type { StripPick } from '@tadka/core/rules'
import { useI18n } from 'vue-i18n'

/** A strip's card: tap the block it matches, the gap between two, or the field beyond the darkest. */
const props = defineProps<{
  blocks: readonly number[]
  colours: readonly string[]
  name: string
  unit: string
}>()
const pick = defineModel<StripPick | null>({ required: true })
const { t } = useI18n()

const matches = (v: number) => pick.value !== null && 'matches' in pick.value && pick.value.matches === v
const between = (i: number) =>
  pick.value !== null && 'between' in pick.value && pick.value.between[0] === props.blocks[i]

const darkest = () => props.blocks.at(-1)
const darker = () => pick.value !== null && 'darkerThan' in pick.value

function choose(i: number, gap: boolean): void {
  const [value, next] = [props.blocks[i], props.blocks[i + 1]]
  if (value === undefined) return
  pick.value = gap && next !== undefined ? { between: [value, next] } : { matches: value }
}
</script>

<template>
  <div class="strip" role="radiogroup" :aria-label="name">
    <template v-for="(value, i) in blocks" :key="value">
      <button
        type="button"
        role="radio"
        class="block"
        :class="{ on: matches(value) }"
        :aria-checked="matches(value)"
        :aria-label="t('strip.matches', { value, unit })"
        :style="{ background: colours[i] }"
        @click="choose(i, false)"
      >
        <span class="value">{{ value }}</span>
      </button>
      <button
        v-if="i < blocks.length - 1"
        type="button"
        role="radio"
        class="gap"
        :class="{ on: between(i) }"
        :aria-checked="between(i)"
        :aria-label="t('strip.between', { lo: value, hi: blocks[i + 1], unit })"
        @click="choose(i, true)"
      >
        <span class="dot" aria-hidden="true" />
        <span v-if="between(i)" class="said" aria-hidden="true">{{ t('strip.betweenShort') }}</span>
      </button>
    </template>
    <button
      v-if="unit !== 'pH' && darkest() !== undefined"
      type="button"
      role="radio"
      class="beyond"
      :class="{ on: darker() }"
      :aria-checked="darker()"
      :aria-label="t('strip.darker', { value: darkest(), unit })"
      @click="pick = { darkerThan: darkest() ?? 0 }"
    >
      <span aria-hidden="true">{{ t('strip.darkerShort') }}</span>
    </button>
  </div>
</template>

<style scoped>
.strip {
  display: flex;
  align-items: stretch;
  height: 72px;
  margin: 10px 0 30px;
}
.block {
  flex: 1 1 0;
  min-width: 40px;
  border: 0;
  border-radius: var(--r);
  font-weight: 650;
  font-size: 18px;
  display: flex;
  align-items: flex-end;
  justify-content: center;
  padding-bottom: 8px;
  box-shadow: inset 0 0 0 1.5px rgb(0 0 0 / 14%);
  cursor: pointer;
}
.value {
  background: var(--raised);
  color: var(--ink);
  border-radius: 4px;
  padding: 1px 6px;
  line-height: 1.2;
}
.block.on {
  box-shadow:
    0 0 0 4px var(--paper),
    0 0 0 8px var(--ink);
  z-index: 1;
}
.gap {
  flex: 0 1 36px;
  min-width: 22px;
  border: 0;
  background: none;
  position: relative;
  cursor: pointer;
  display: grid;
  place-items: center;
}
.dot {
  width: 6px;
  height: 6px;
  border-radius: 50%;
  background: var(--ink-3);
}
.gap.on::before {
  content: '';
  position: absolute;
  inset: -9px -4px;
  border: 4px solid var(--ink);
  border-radius: 12px;
  z-index: 2;
}
.beyond {
  flex: 0 0 auto;
  min-width: 48px;
  margin-left: 8px;
  padding: 0 8px;
  border: 1.5px dashed var(--ink-3);
  border-radius: var(--r);
  background: none;
  color: var(--ink);
  font-weight: 600;
  font-size: 15px;
  cursor: pointer;
}
.beyond.on {
  border: 4px solid var(--ink);
}
.said {
  position: absolute;
  top: calc(100% + 8px);
  font-weight: 650;
  font-size: 16px;
}
</style>
