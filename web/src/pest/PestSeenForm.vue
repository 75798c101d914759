<script setup lang="ts">
import { pests, pestSigns, type Pest, type PestSign } from '@tadka/core/pest'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoicePick from '../pieces/ChoicePick.vue'
import TextField from '../pieces/TextField.vue'
import AreaField from '../site/AreaField.vue'
import PhotoPick from '../site/PhotoPick.vue'
import { useSite } from '../site/site.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { newId } from '../wire/device.ts'

/** Something was seen of a pest: what, where, with a photo. */
const { t } = useI18n()
const site = useSite()
const pest = ref<Pest | 'unknown' | null>(null)
const sign = ref<PestSign | null>(null)
const area = ref('')
const said = ref('')
const photo = ref<string | null>(null)
const made = ref<AnyDraft | null>(null)
const enough = computed(() => pest.value !== null && sign.value !== null && area.value.trim() !== '')
function keep(): void {
  if (!enough.value || !sign.value) return
  made.value = site.record(
    'pest.seen@1',
    { kind: 'pest', id: newId() },
    {
      ...{ pest: pest.value === 'unknown' ? null : pest.value, sign: sign.value, area: area.value.trim() },
      ...{ said: said.value.trim(), photo: photo.value },
    },
  )
  pest.value = null
  sign.value = null
  said.value = ''
  photo.value = null
}
</script>

<template>
  <form class="form" @submit.prevent="keep">
    <h2>{{ t('pest.new') }}</h2>
    <choice-pick
      v-model="pest"
      named
      :label="t('pest.pest')"
      :choices="[...pests, 'unknown' as const].map((p) => ({ value: p, text: t(`pest.kind.${p}`) }))"
    />
    <choice-pick
      v-model="sign"
      named
      :label="t('pest.sign.title')"
      :choices="pestSigns.map((s) => ({ value: s, text: t(`pest.sign.${s}`) }))"
    />
    <area-field v-model="area" :label="t('pest.area')" />
    <text-field v-model="said" large :name="t('pest.said')" :example="t('pest.saidLike')" :most="300" />
    <div class="acts">
      <n-button type="primary" size="large" attr-type="submit" :disabled="!enough">{{
        t('pest.keep')
      }}</n-button>
      <photo-pick v-model="photo" :text="t('round.photo')" :again="t('round.photoTaken')" />
      <take-back-now v-if="made" :key="made.id" :draft="made" @back="made = null" />
    </div>
  </form>
</template>

<style scoped>
.form {
  display: grid;
  gap: 14px;
}
label {
  font-weight: 600;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
</style>
