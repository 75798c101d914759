<script setup lang="ts">
import type { Part } from '@tadka/core/procedure'

/** Parts that this cycle leaves where they are: they are not counted in this step. */
const props = defineProps<{ label: string; parts: readonly Part[] }>()
const value = defineModel<readonly string[] | undefined>({ required: true })

const isLeft = (id: string) => value.value?.includes(id) ?? false
function toggle(id: string): void {
  const next = props.parts.map((p) => p.id).filter((p) => (p === id ? !isLeft(p) : isLeft(p)))
  value.value = next.length > 0 ? next : undefined
}
</script>

<template>
  <div class="choices" role="group" :aria-label="label">
    <button v-for="p in parts" :key="p.id" type="button" :aria-pressed="isLeft(p.id)" @click="toggle(p.id)">
      {{ p.name }}
    </button>
  </div>
</template>

<style scoped src="../pieces/toggles.css"></style>
