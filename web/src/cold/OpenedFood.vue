<script setup lang="ts">
import { openedUntil } from '@tadka/core/food'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import DayField from '../pieces/DayField.vue'
import TextField from '../pieces/TextField.vue'
import { useTimes } from '../site/times.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { newId } from '../wire/device.ts'
import { useFood } from './food.ts'

/** What is open, with its last day; what is opened now gets one, to be written on it. */
const { t } = useI18n()
const { date } = useTimes()
const { opened, stored, today, record } = useFood()

const name = ref('')
const best = ref('')
/** Something older goes in with it: the oldest decides. */
const withOld = ref<string | null>(null)
const older = computed(() => opened.value.find((f) => f.food.id === withOld.value)?.food.opened)
const days = computed(() => openedUntil(today.value, older.value ? [older.value] : [], best.value || null))
const isPast = computed(() => days.value.useBy < today.value)
const enough = computed(() => name.value.trim() !== '' && !isPast.value)
const made = ref<AnyDraft | null>(null)
/** What came lately and is closed still, by its name. */
const closed = computed(() => stored.value.filter((f) => f.name !== '').slice(-6))
const from = ref<string | null>(null)
function open(): void {
  if (!enough.value) return
  const came = stored.value.find((f) => f.id === from.value && f.name === name.value.trim())
  made.value = record(came?.id ?? newId(), 'food.opened@1', { name: name.value.trim(), ...days.value })
  name.value = ''
  best.value = ''
  withOld.value = null
  from.value = null
}
const end = (id: string, how: 'used' | 'thrown-out') => (made.value = record(id, 'food.gone@1', { how }))
</script>

<template>
  <div class="body">
    <form @submit.prevent="open">
      <h2>{{ t('cold.openNow') }}</h2>
      <text-field v-model="name" large :name="t('cold.thing')" :example="t('cold.openedLike')" :most="80" />
      <div v-if="closed.length > 0" class="came" role="group" :aria-label="t('cold.came')">
        <span class="quiet small">{{ t('cold.came') }}</span>
        <n-button v-for="f in closed" :key="f.id" @click="((name = f.name), (from = f.id))">{{
          f.name
        }}</n-button>
      </div>
      <div>
        <span class="name">{{ t('cold.withOld') }}</span>
        <n-select
          v-model:value="withOld"
          clearable
          size="large"
          :options="
            opened
              .filter((f) => f.stands.is !== 'throw-out')
              .map((f) => ({
                value: f.food.id,
                label: `${f.food.name}, ${date(f.food.opened?.useBy ?? '')}`,
              }))
          "
          :placeholder="t('cold.withNothing')"
          :aria-label="t('cold.withOld')"
        />
      </div>
      <day-field v-model="best" named optional :label="t('cold.best')" />
      <p v-if="isPast" class="fault" role="alert">{{ t('cold.bestPast') }}</p>
      <p v-else class="until" role="status">
        {{ t('cold.writeOn') }}
        <b>{{ t('cold.useBy', { day: date(days.useBy) }) }}</b>
        <span class="quiet small">{{ t('cold.sevenDays') }}</span>
      </p>
      <n-button size="large" type="primary" class="do" attr-type="submit" :disabled="!enough">{{
        t('cold.openIt')
      }}</n-button>
      <take-back-now v-if="made" :draft="made" @back="made = null" />
    </form>
    <section>
      <h2>{{ t('cold.isOpen') }}</h2>
      <p v-if="opened.length === 0" class="quiet">{{ t('cold.nothingOpen') }}</p>
      <ul>
        <li v-for="{ food, stands } in opened" :key="food.id" :class="stands.is">
          <div>
            <b>{{ food.name }}</b>
            <p>
              {{
                stands.is === 'throw-out'
                  ? t('cold.late', { day: date(food.opened?.useBy ?? '') })
                  : stands.is === 'today'
                    ? t('cold.today')
                    : t('cold.useBy', { day: date(food.opened?.useBy ?? '') })
              }}
            </p>
          </div>
          <div class="acts">
            <n-button v-if="stands.is !== 'throw-out'" size="large" @click="end(food.id, 'used')">{{
              t('cold.usedUp')
            }}</n-button>
            <n-button
              size="large"
              :type="stands.is === 'throw-out' ? 'primary' : 'default'"
              @click="end(food.id, 'thrown-out')"
              >{{ t('cold.thrownOut') }}</n-button
            >
          </div>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped src="../pieces/halves.css" />
<style scoped>
h2 {
  font-size: 20px;
}
.came {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.came > span {
  width: 100%;
}
.came > button {
  min-height: 48px;
}
label,
.name {
  font-weight: 600;
}
ul {
  margin-top: 8px;
}
.until b {
  display: block;
  font-size: 26px;
}
.until span {
  display: block;
}
.do {
  min-height: 64px;
  font-size: 20px;
}
.fault {
  color: var(--out);
  font-weight: 600;
}
li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 12px;
  align-items: center;
  padding: 10px 0 10px 12px;
  border-bottom: 1px solid var(--line-soft);
  border-left: 5px solid transparent;
}
.throw-out {
  border-left-color: var(--out);
}
.today {
  border-left-color: var(--close);
}
.acts {
  display: flex;
  gap: 10px;
}
</style>
