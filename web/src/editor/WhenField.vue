<script setup lang="ts">
import type { Option, When } from '@tadka/core/procedure'
import { useI18n } from 'vue-i18n'

/** For which choices of the machine's options something is done; for all of them where nothing is chosen. */
const props = defineProps<{ label: string; options: readonly Option[] }>()
const value = defineModel<readonly When[] | undefined>({ required: true })
const { t } = useI18n()

const chosen = (option: string): readonly string[] => value.value?.find((w) => w.option === option)?.is ?? []
function toggle(option: Option, choice: string): void {
  const now = chosen(option.id)
  const is = now.includes(choice) ? now.filter((c) => c !== choice) : [...now, choice]
  const rest = (value.value ?? []).filter((w) => w.option !== option.id)
  // All of them is no condition.
  const next =
    is.length > 0 && is.length < option.choices.length ? [...rest, { option: option.id, is }] : rest
  value.value = next.length > 0 ? next : undefined
}
</script>

<template>
  <p v-if="options.length === 0" class="quiet small">{{ t('editor.noOptions') }}</p>
  <div v-for="o in options" v-else :key="o.id" role="group" :aria-label="`${props.label}: ${o.question}`">
    <span class="small quiet">{{ o.question }}</span>
    <div class="choices">
      <button
        v-for="c in o.choices"
        :key="c.id"
        type="button"
        :aria-pressed="chosen(o.id).includes(c.id)"
        @click="toggle(o, c.id)"
      >
        {{ c.says }}
      </button>
    </div>
  </div>
</template>

<style scoped src="../pieces/toggles.css"></style>
