<script setup lang="ts">
/** A number with its unit, large: typed on a keyboard, or on the pad when it has the focus. */
const model = defineModel<string>({ required: true })
defineProps<{
  id: string
  label: string
  unit: string
  fault?: string | undefined
  active?: boolean
  /** What is known of it otherwise. */
  note?: string
  /** No pad stands beside it: the tablet's own keyboard opens. */
  keys?: boolean
}>()
const emit = defineEmits<{ focus: []; enter: [] }>()
</script>

<template>
  <div class="field" :class="{ active }">
    <label :for="id">{{ label }}</label>
    <div class="line">
      <input
        :id="id"
        v-model="model"
        type="text"
        :inputmode="keys ? 'decimal' : 'none'"
        autocomplete="off"
        maxlength="9"
        :aria-invalid="fault ? true : undefined"
        :aria-describedby="fault ? `${id}-fault` : undefined"
        @focus="emit('focus')"
        @keydown.enter="emit('enter')"
      />
      <span class="unit">{{ unit }}</span>
    </div>
    <p v-if="note" class="quiet small">{{ note }}</p>
    <p v-if="fault" :id="`${id}-fault`" class="fault" role="alert">{{ fault }}</p>
  </div>
</template>

<style scoped>
label {
  font-size: 15px;
  font-weight: 600;
  color: var(--ink-2);
}
.line {
  display: flex;
  align-items: baseline;
  border-bottom: 2px solid var(--ink-3);
}
.active .line {
  border-bottom: 3px solid var(--sea);
}
input {
  flex: 1;
  min-width: 0;
  width: 100%;
  border: 0;
  background: none;
  font-size: 34px;
  font-weight: 650;
  padding: 2px 0;
  min-height: 52px;
}
input:focus-visible {
  outline: none;
}
.unit {
  font-size: 18px;
  color: var(--ink-2);
}
.fault {
  color: var(--out);
  font-weight: 600;
  font-size: 15px;
  margin-top: 4px;
}
</style>
