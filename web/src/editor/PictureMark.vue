<script setup lang="ts">
import { NButton, useMessage } from 'naive-ui'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import { PictureStage, type MarkTool } from './picture-stage.ts'
import DialogCard from '../pieces/DialogCard.vue'

/** A photo before it is kept: an arrow or a ring on what matters, and only the part that shows it. */
const props = defineProps<{ photo: Blob }>()
const emit = defineEmits<{ done: [picture: Blob]; close: [] }>()
const { t } = useI18n()
const message = useMessage()

const box = ref<HTMLDivElement | null>(null)
const tool = ref<MarkTool | null>('arrow')
const count = ref(0)
let stage: PictureStage | null = null

onMounted(async () => {
  try {
    const image = await createImageBitmap(props.photo)
    if (box.value) stage = new PictureStage(box.value, image, () => (count.value = stage?.count ?? 0))
  } catch {
    message.error(t('run.noPicture'))
    emit('close')
  }
})
onBeforeUnmount(() => stage?.end())
watch(tool, (now) => {
  if (stage && now) stage.tool = now
})
async function keep(): Promise<void> {
  if (stage) emit('done', await stage.picture())
}
</script>

<template>
  <dialog-card
    :show="true"
    :title="t('editor.mark.title')"
    :closable="false"
    class="marking"
    @update:show="emit('close')"
  >
    <p class="quiet">{{ t(`editor.mark.how.${tool}`) }}</p>
    <div class="tools">
      <choice-pick
        v-model="tool"
        :label="t('editor.mark.title')"
        :choices="
          (['arrow', 'ring', 'crop'] as const).map((value) => ({ value, text: t(`editor.mark.${value}`) }))
        "
      />
      <n-button @click="stage?.inTheMiddle()">{{ t('editor.mark.middle') }}</n-button>
      <n-button :disabled="count === 0" @click="stage?.undo()">{{ t('editor.undo') }}</n-button>
    </div>
    <div ref="box" class="photo" />
    <div class="tools">
      <n-button type="primary" @click="keep">{{ t('editor.mark.keep') }}</n-button>
      <n-button @click="emit('close')">{{ t('common.cancel') }}</n-button>
    </div>
  </dialog-card>
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 12px 0;
}
.photo {
  touch-action: none;
  overflow: auto;
}
</style>

<style>
.marking.n-card {
  width: min(720px, 96vw);
}
</style>
