<script setup lang="ts">
import { trainingPaper } from '@tadka/contract/training'
import { paperKinds, type PaperSet } from '@tadka/core/training'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import DayField from '../pieces/DayField.vue'
import TextField from '../pieces/TextField.vue'
import PhotoPick from '../site/PhotoPick.vue'

/** A certificate as its paper says, with its photo. */
const props = defineProps<{ paper: PaperSet; isNew: boolean }>()
const emit = defineEmits<{ keep: [paper: PaperSet]; close: [] }>()
const { t } = useI18n()

const kind = ref(props.paper.kind)
const name = ref(props.paper.name)
const number = ref(props.paper.number)
const issued = ref(props.paper.issued ?? '')
const until = ref(props.paper.until ?? '')
const photo = ref(props.paper.photo)
const sure = ref(false)
const drafted = computed((): PaperSet => ({
  paper: props.paper.paper,
  kind: kind.value,
  name: kind.value === 'other' ? name.value.trim() : '',
  number: number.value.trim(),
  issued: issued.value || null,
  until: until.value || null,
  photo: photo.value,
  removed: false,
}))
const isWhole = computed(
  () =>
    trainingPaper.safeParse(drafted.value).success && (kind.value !== 'other' || name.value.trim() !== ''),
)
</script>

<template>
  <form @submit.prevent="isWhole && emit('keep', drafted)">
    <choice-pick
      v-model="kind"
      :label="t('training.paper.kind')"
      named
      :choices="paperKinds.map((k) => ({ value: k, text: t(`training.paper.${k}`) }))"
    />
    <text-field
      v-if="kind === 'other'"
      v-model="name"
      :name="t('training.paper.name')"
      example="Allergen course"
      :most="80"
    />
    <text-field v-model="number" :name="t('training.paper.number')" example="FH-20417" :most="60" />
    <day-field
      v-model="issued"
      :label="t('training.paper.issued')"
      named
      optional
      :max="until || undefined"
    />
    <day-field v-model="until" :label="t('training.paper.until')" named optional :min="issued || undefined" />
    <p v-if="photo" role="status">{{ t('training.paper.kept') }}</p>
    <photo-pick v-model="photo" :text="t('training.paper.photo')" :again="t('training.paper.another')" />
    <div class="acts">
      <n-button type="primary" size="large" attr-type="submit" :disabled="!isWhole">{{
        t('common.save')
      }}</n-button>
      <n-button size="large" @click="emit('close')">{{ t('common.cancel') }}</n-button>
      <n-button v-if="!isNew && !sure" size="large" @click="sure = true">{{
        t('training.paper.remove')
      }}</n-button>
    </div>
    <div v-if="sure" class="acts">
      <p>{{ t('training.paper.removeSure') }}</p>
      <n-button type="error" size="large" @click="emit('keep', { ...paper, removed: true })">{{
        t('training.paper.remove')
      }}</n-button>
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
  padding: 12px 0;
  max-width: 720px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
</style>
