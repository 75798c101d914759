<script setup lang="ts">
import type { AnyDraft } from '@tadka/core/stream'
import { NButton, NInput, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import AreaField from '../site/AreaField.vue'
import TakeBackNow from '../site/TakeBackNow.vue'
import TaskFields from './TaskFields.vue'
import TaskRow from './TaskRow.vue'
import { useTasks } from './tasks.ts'

/** All that is to be done by a day, with whose it is; and one more, written down. */
const props = defineProps<{ task?: string }>()
const { t } = useI18n()
const message = useMessage()
const { open, today, write } = useTasks()

const say = ref('')
const area = ref('')
const owner = ref<string | null>(null)
const due = ref(today.value)
const enough = computed(() => say.value.trim().length > 2)
const made = ref<AnyDraft | null>(null)
function keep(): void {
  if (!enough.value) return
  const where = area.value.trim()
  made.value = write({
    ...{ say: say.value.trim(), area: where === '' ? null : where, owner: owner.value, due: due.value },
    from: null,
  })
  say.value = ''
}
function ended(draft: AnyDraft, what: string): void {
  made.value = draft
  message.success(t('task.doneSaid', { say: what }))
}
</script>

<template>
  <div>
    <place-bar :title="t('task.title')">
      <router-link to="/shift" class="link">‹ {{ t('place.shift') }}</router-link>
    </place-bar>
    <div class="body">
      <div>
        <p v-if="open.length === 0" class="none">
          <b>{{ t('task.none') }}</b>
          <span class="quiet">{{ t('task.noneHow') }}</span>
        </p>
        <ul>
          <task-row
            v-for="o in open"
            :key="o.id"
            :task="o"
            :open="o.id === props.task"
            @ended="(draft) => ended(draft, o.say)"
          />
        </ul>
        <take-back-now v-if="made" :key="made.id" :draft="made" @back="made = null" />
      </div>
      <form @submit.prevent="keep">
        <h2>{{ t('task.new') }}</h2>
        <n-input
          v-model:value="say"
          size="large"
          type="textarea"
          :rows="2"
          :placeholder="t('task.sayLike')"
          :input-props="{ 'aria-label': t('task.say') }"
          maxlength="200"
        />
        <area-field v-model="area" :label="t('task.area')" />
        <task-fields v-model:owner="owner" v-model:due="due" />
        <n-button type="primary" class="keep" attr-type="submit" :disabled="!enough">{{
          t('task.write')
        }}</n-button>
      </form>
    </div>
  </div>
</template>

<style scoped src="../pieces/halves.css" />
<style scoped>
.none {
  display: grid;
  gap: 4px;
  font-size: 18px;
}
label {
  display: grid;
  gap: 6px;
  font-weight: 600;
}
.keep {
  min-height: 64px;
  font-size: 20px;
}
</style>
