<script setup lang="ts">
import { deliveredKinds, received, type DeliveredKind } from '@tadka/core/food'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import TextField from '../pieces/TextField.vue'
import { useSite } from '../site/site.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { newId } from '../wire/device.ts'
import CoolingFood from './CoolingFood.vue'
import { useFood, useFoodTyped } from './food.ts'
import FoodTemperature from './FoodTemperature.vue'

/** What comes, thing by thing, before it is put away: read, looked at, taken or sent back. */
const { t } = useI18n()
const site = useSite()
const message = useMessage()
const { limit, record } = useFood()
const typing = useFoodTyped()

const supplier = ref('')
const name = ref('')
const kind = ref<DeliveredKind | null>('cold')
const whole = ref<boolean | null>(null)
const hard = ref<boolean | null>(null)
const note = ref('')
const isRead = computed(() => kind.value === 'cold' || kind.value === 'milk')
const law = computed(() =>
  site.set && 'milkAt7' in site.set && site.set.milkAt7 ? { milkAt7: true as const } : {},
)
const facts = computed(() => ({
  kind: kind.value ?? 'cold',
  read: isRead.value ? typing.read.value : null,
  whole: whole.value,
  ...(kind.value === 'frozen' && hard.value !== null ? { hard: hard.value } : {}),
  ...(kind.value === 'milk' ? law.value : {}),
}))
const judged = computed(() => received(facts.value))
const mayTake = computed(() => judged.value.is === 'take' || judged.value.is === 'cool')
const named = computed(() => name.value.trim() !== '' && whole.value !== null)
const made = ref<AnyDraft | null>(null)
function keep(took: boolean): void {
  if (!named.value || (took && !mayTake.value)) return
  made.value = record(newId(), 'food.received@1', {
    ...{ name: name.value.trim(), supplier: supplier.value.trim(), took, note: note.value.trim() },
    ...facts.value,
    whole: whole.value === true,
    on: isRead.value ? typing.on.value : null,
  })
  message.success(t(took ? 'cold.tookSaid' : 'cold.sentBackSaid', { name: name.value.trim() }))
  name.value = ''
  note.value = ''
  whole.value = null
  hard.value = null
  typing.typed.value = ''
}
</script>

<template>
  <div class="body">
    <form @submit.prevent="keep(true)">
      <text-field
        v-model="supplier"
        large
        :name="t('cold.supplier')"
        :example="t('cold.supplierLike')"
        :most="80"
      />
      <text-field v-model="name" large :name="t('cold.thing')" :example="t('cold.thingLike')" :most="80" />
      <choice-pick
        v-model="kind"
        named
        :label="t('cold.kindName')"
        :choices="deliveredKinds.map((k) => ({ value: k, text: t(`cold.kind.${k}`) }))"
      />
      <food-temperature v-if="isRead" id="delivered" :typing="typing" />
      <choice-pick
        v-if="kind === 'frozen'"
        v-model="hard"
        named
        :label="t('cold.hard')"
        :choices="[
          { value: true, text: t('cold.hardYes') },
          { value: false, text: t('cold.hardNo') },
        ]"
      />
      <choice-pick
        v-model="whole"
        named
        :label="t('cold.whole')"
        :choices="[
          { value: true, text: t('cold.wholeYes') },
          { value: false, text: t('cold.wholeNo') },
        ]"
      />
    </form>
    <div class="says">
      <section :class="judged.is" role="status">
        <h2>
          {{ t(`cold.receive.${judged.is}`) }}
        </h2>
        <p v-if="judged.is === 'refuse'">{{ t(`cold.refuse.${judged.why}`) }}</p>
        <p v-else-if="judged.is === 'cool'">{{ t('cold.coolHow', { n: judged.hours, limit }) }}</p>
        <p v-else-if="judged.is === 'read-first' || judged.is === 'read-again'">{{ t('cold.readHow') }}</p>
      </section>
      <text-field v-model="note" large :name="t('cold.note')" :example="t('cold.noteLike')" :most="300" />
      <div class="acts">
        <n-button size="large" type="primary" :disabled="!named || !mayTake" @click="keep(true)">{{
          t('cold.take')
        }}</n-button>
        <n-button size="large" :disabled="!named" @click="keep(false)">{{ t('cold.sendBack') }}</n-button>
      </div>
      <p v-if="!named" class="quiet small">{{ t('cold.nameFirst') }}</p>
      <take-back-now v-if="made" :draft="made" @back="made = null" />
      <p class="quiet small">{{ t('common.decides') }}</p>
      <cooling-food />
    </div>
  </div>
</template>

<style scoped src="../pieces/halves.css" />
<style scoped>
.says {
  display: grid;
  gap: 16px;
  align-content: start;
}
label {
  font-weight: 600;
}
section {
  padding: 6px 16px 10px;
  border-left: 6px solid var(--line);
}
.take,
.cool {
  border-left-color: var(--in);
}
.refuse {
  border-left-color: var(--out);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
}
.acts > * {
  min-height: 64px;
  min-width: 180px;
  font-size: 19px;
}
</style>
