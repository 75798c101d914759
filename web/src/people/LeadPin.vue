<script setup lang="ts">
import { may, type Permission } from '@tadka/core/rights'
import { NSelect } from 'naive-ui'
import { computed, watchEffect } from 'vue'
import { useI18n } from 'vue-i18n'
import NumberPad from '../pieces/NumberPad.vue'
import { useSession } from '../rights/session.ts'

/** Somebody's own PIN, typed now: who may decide a thing, and the proof that it is them. */
const props = defineProps<{
  needs: Permission
  wrong: string
  /** Only these, where not everybody who may. */
  among?: readonly string[]
  /** What they are asked as; a shift lead where it is left out. */
  label?: string
}>()
const person = defineModel<string>('person', { required: true })
const pin = defineModel<string>('pin', { required: true })
const emit = defineEmits<{ enter: [] }>()
const { t } = useI18n()
const session = useSession()
void (session.door ?? session.openDoor().catch(() => {}))

const people = computed(() =>
  session.everyone
    .filter((p) => may(p.role, props.needs) && (props.among?.includes(p.id) ?? true))
    .map((p) => ({ value: p.id, label: p.name })),
)
watchEffect(() => {
  if (person.value !== '' || people.value.length === 0) return
  person.value =
    people.value.find((p) => p.value === session.acting?.id)?.value ?? people.value[0]?.value ?? ''
})
</script>

<template>
  <div class="lead">
    <div class="fields">
      <label for="lead-who">{{ label ?? t('people.lead') }}</label>
      <n-select
        v-model:value="person"
        :options="people"
        size="large"
        :input-props="{ id: 'lead-who' }"
        :aria-label="label ?? t('people.lead')"
      />
      <label for="lead-pin">{{ t('people.ownPin') }}</label>
      <input
        id="lead-pin"
        v-model="pin"
        type="password"
        inputmode="none"
        autocomplete="off"
        maxlength="8"
        @keydown.enter="emit('enter')"
      />
      <p class="wrong" role="alert">{{ wrong }}</p>
    </div>
    <number-pad v-model="pin" :decimal="false" :longest="8" class="keys" />
  </div>
</template>

<style scoped>
.lead {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 20px;
}
.fields {
  display: grid;
  align-content: start;
  gap: 6px;
}
label {
  font-weight: 600;
  color: var(--ink-2);
}
#lead-pin {
  border: 0;
  border-bottom: 2px solid var(--ink);
  background: none;
  font-size: 34px;
  letter-spacing: 0.3em;
  width: 100%;
}
.wrong {
  color: var(--out);
  font-weight: 600;
  min-height: 1.4em;
}
@media (max-width: 620px) {
  .lead {
    grid-template-columns: 1fr;
  }
}
</style>
