<script setup lang="ts">
import type { InspectChoice, Step } from '@tadka/core/procedure'
import { useI18n } from 'vue-i18n'

/** A sign and its choices: what each means is said beneath it. */
defineProps<{ step: Step & { kind: 'inspect' } }>()
const emit = defineEmits<{ chose: [choice: InspectChoice] }>()
const { t } = useI18n()
</script>

<template>
  <div class="inspect">
    <button v-for="c in step.choices" :key="c.id" type="button" :class="c.outcome" @click="emit('chose', c)">
      <b>{{ c.name }}</b>
      <span>{{ t(`run.choice.${c.outcome}`) }}</span>
    </button>
  </div>
</template>

<style scoped>
.inspect {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 14px;
  margin-top: 28px;
}
button {
  min-height: 118px;
  padding: 16px 22px;
  text-align: left;
  border: 1.5px solid var(--line);
  border-left: 8px solid var(--in);
  border-radius: var(--r);
  background: var(--raised);
  cursor: pointer;
}
b {
  display: block;
  font-size: 23px;
  line-height: 1.2;
}
span {
  font-size: 17px;
  color: var(--ink-2);
}
.watch {
  border-left-color: var(--close);
}
.replace,
.technician {
  border-left-color: var(--out);
}
@media (max-width: 760px) {
  .inspect {
    grid-template-columns: 1fr;
  }
}
</style>
