<script setup lang="ts">
import NumberPad from './NumberPad.vue'

/** Digits that are typed on the pad: a PIN, which is not shown, or a code. What is wrong with them is said beside. */
const props = defineProps<{
  id: string
  label: string
  longest: number
  wrong: string
  secret?: boolean
  autofocus?: boolean
}>()
const digits = defineModel<string>({ required: true })

/** A code is told with a space in it, and may be pasted as it was told. */
function typed(event: Event): void {
  const input = event.target as HTMLInputElement
  digits.value = input.value.replaceAll(/\D/g, '').slice(0, props.longest)
  input.value = digits.value
}
</script>

<template>
  <div class="digits">
    <label :for="id">{{ label }}</label>
    <input
      :id="id"
      :value="digits"
      :type="secret ? 'password' : 'text'"
      inputmode="none"
      autocomplete="off"
      :autofocus="autofocus"
      :aria-invalid="wrong !== ''"
      :aria-describedby="`${id}-wrong`"
      @input="typed"
    />
    <p :id="`${id}-wrong`" class="wrong" role="alert">{{ wrong }}</p>
    <number-pad v-model="digits" :decimal="false" :longest="longest" />
  </div>
</template>

<style scoped>
.digits {
  display: grid;
  gap: 10px;
}
label {
  font-weight: 600;
}
input {
  border: 0;
  border-bottom: 2px solid var(--ink);
  background: none;
  font-size: 40px;
  letter-spacing: 0.2em;
  height: 56px;
  width: 100%;
}
.wrong {
  color: var(--out);
  font-weight: 600;
  min-height: 1.4em;
}
</style>
