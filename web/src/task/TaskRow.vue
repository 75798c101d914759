<script setup lang="ts">
import type { TaskOpen } from '@tadka/core/task'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton, NInput } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ReasonForm from '../pieces/ReasonForm.vue'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import PhotoPick from '../site/PhotoPick.vue'
import { useTimes } from '../site/times.ts'
import TaskFields from './TaskFields.vue'
import { useTasks } from './tasks.ts'

/** One thing to be done: opened it is said to be done, given to somebody else, or not needed. */
const props = defineProps<{ task: TaskOpen; open: boolean }>()
const emit = defineEmits<{ ended: [draft: AnyDraft] }>()
const { t } = useI18n()
const session = useSession()
const names = useNames()
const { day, clock } = useTimes()
const { said, done, drop, write } = useTasks()

const isOpen = ref(props.open)
const note = ref('')
const photo = ref<string | null>(null)
const owner = ref(props.task.owner)
const due = ref(props.task.due)
const changing = ref(false)
function change(): void {
  const { say, area, from } = props.task
  write({ say, area, from, owner: owner.value, due: due.value }, props.task.id)
  changing.value = false
}
</script>

<template>
  <li :class="task.is">
    <button type="button" class="head" :aria-expanded="isOpen" @click="isOpen = !isOpen">
      <b>{{ task.say }}</b>
      <span class="quiet"
        ><span class="when">{{ said(task) }}</span
        >{{ task.area ? ` · ${task.area}` : ''
        }}{{ task.from ? ` · ${t(`task.from.${task.from.kind}`)}` : '' }}</span
      >
    </button>
    <div v-if="isOpen" class="acts">
      <p class="quiet small">
        {{
          t('task.by', {
            when: `${day(task.since.at)} ${clock(task.since.at)}`,
            who: names.person(task.since.by),
          })
        }}
      </p>
      <n-input
        v-model:value="note"
        size="large"
        :placeholder="t('task.doneNote')"
        :input-props="{ 'aria-label': t('task.doneNote') }"
        maxlength="300"
      />
      <div class="row">
        <n-button
          type="primary"
          size="large"
          class="done"
          @click="emit('ended', done(task, note.trim(), photo))"
          >{{ t('task.done') }}</n-button
        >
        <photo-pick v-model="photo" :text="t('round.photo')" :again="t('round.photoTaken')" />
        <n-button size="large" :aria-expanded="changing" @click="changing = !changing">{{
          t('task.change')
        }}</n-button>
      </div>
      <div v-if="changing" class="change">
        <task-fields v-model:owner="owner" v-model:due="due" />
        <n-button size="large" @click="change">{{ t('task.save') }}</n-button>
        <reason-form
          v-if="session.mayDo('close-case')"
          :label="t('task.dropWhy')"
          :like="t('task.dropLike')"
          :act="t('task.drop')"
          @said="(reason) => emit('ended', drop(task, reason))"
        />
      </div>
    </div>
  </li>
</template>

<style scoped>
li {
  border-bottom: 1px solid var(--line-soft);
}
.head {
  width: 100%;
  min-height: 64px;
  padding: 10px 0;
  border: 0;
  background: none;
  color: var(--ink);
  font: inherit;
  text-align: left;
  display: grid;
  gap: 2px;
  cursor: pointer;
}
.late .when {
  color: var(--out);
  font-weight: 650;
}
.today .when {
  color: var(--ink);
  font-weight: 650;
}
.acts,
.change {
  display: grid;
  gap: 12px;
  padding-bottom: 18px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
.done {
  min-width: 160px;
}
</style>
