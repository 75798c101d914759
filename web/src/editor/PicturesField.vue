<script setup lang="ts">
import type { Picture } from '@tadka/core/procedure'
import { NButton, NInput, useMessage } from 'naive-ui'
import { defineAsyncComponent, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import FilePick from '../pieces/FilePick.vue'
import { canTakePhotos, usePhotos } from '../site/photos.ts'
import StepPicture from '../site/StepPicture.vue'

/** Photos of the site's own: taken or chosen, cropped and marked, each with what is to be seen on it. */
const props = defineProps<{ label: string; most: number }>()
const value = defineModel<readonly Picture[] | undefined>({ required: true })
const { t } = useI18n()
const message = useMessage()
const { keep } = usePhotos()
const PictureMark = defineAsyncComponent(() => import('./PictureMark.vue'))

/** The photo that is being marked. */
const marking = ref<Blob | null>(null)
async function marked(blob: Blob): Promise<void> {
  marking.value = null
  try {
    const sha256 = await keep(blob)
    value.value = [...(value.value ?? []), { sha256, says: '' }]
  } catch {
    message.error(t('run.noPicture'))
  }
}
function change(i: number, next: Picture | null): void {
  const all = (value.value ?? []).flatMap((p, at) => (at !== i ? p : (next ?? [])))
  value.value = all.length > 0 ? all : undefined
}
function shows(i: number, p: Picture, to: 'right' | 'wrong' | 'plain' | null): void {
  const { shows: _, ...plain } = p
  change(i, to === 'right' || to === 'wrong' ? { ...plain, shows: to } : plain)
}
</script>

<template>
  <div role="group" :aria-label="props.label">
    <ul>
      <li v-for="(p, i) in value ?? []" :key="p.sha256 + i">
        <step-picture :picture="p" small />
        <div>
          <n-input
            :value="p.says"
            :placeholder="t('editor.pictureSays')"
            :maxlength="300"
            :input-props="{ 'aria-label': t('editor.pictureSays') }"
            @update:value="(says: string) => change(i, { ...p, says })"
          />
          <choice-pick
            v-if="most > 1"
            class="shows"
            :model-value="p.shows ?? 'plain'"
            :label="t('editor.pictureShows')"
            :choices="
              (['plain', 'right', 'wrong'] as const).map((s) => ({ value: s, text: t(`editor.shows.${s}`) }))
            "
            @update:model-value="(to) => shows(i, p, to)"
          />
        </div>
        <n-button :aria-label="t('editor.removeRow', { name: p.says })" @click="change(i, null)">{{
          t('editor.remove')
        }}</n-button>
      </li>
    </ul>
    <template v-if="(value?.length ?? 0) < most">
      <file-pick
        v-if="canTakePhotos()"
        :text="t('editor.takePicture')"
        accept="image/*"
        @pick="(file) => (marking = file)"
      />
      <p v-else class="quiet small">{{ t('editor.noPictures') }}</p>
    </template>
    <picture-mark v-if="marking" :photo="marking" @done="marked" @close="marking = null" />
  </div>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 12px;
  align-items: start;
  padding-bottom: 12px;
}
.shows {
  margin-top: 8px;
}
</style>
