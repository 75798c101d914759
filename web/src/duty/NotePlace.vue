<script setup lang="ts">
import { noteKinds, type NoteKind } from '@tadka/core/record'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton, NInput, NSelect } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import ChoicePick from '../pieces/ChoicePick.vue'
import { useNames } from '../site/names.ts'
import { useSite } from '../site/site.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import NotesFound from './NotesFound.vue'
import { useNotes } from './notes.ts'

/** Before leaving: what those who come must know. */
const { t } = useI18n()
const site = useSite()
const names = useNames()
const { found, leave } = useNotes()

const kind = ref<NoteKind | null>('missing')
const station = ref<string | null>(null)
const said = ref('')
const stations = computed(() =>
  site
    .all('station')
    .filter((s) => s.plate && !s.plate.retired)
    .map((s) => ({ value: s.id, label: names.station(s.id) }))
    .toSorted((a, b) => a.label.localeCompare(b.label)),
)
const enough = computed(() => said.value.trim().length > 2)
const made = ref<AnyDraft | null>(null)
function keep(): void {
  if (!enough.value || !kind.value) return
  made.value = leave(kind.value, station.value, said.value.trim())
  said.value = ''
  station.value = null
}
</script>

<template>
  <div>
    <place-bar :title="t('shift.note.title')">
      <router-link to="/shift" class="link">‹ {{ t('place.shift') }}</router-link>
    </place-bar>
    <div class="body">
      <form @submit.prevent="keep">
        <p class="quiet">{{ t('shift.note.how') }}</p>
        <choice-pick
          v-model="kind"
          :label="t('shift.note.title')"
          :choices="noteKinds.map((k) => ({ value: k, text: t(`shift.note.kind.${k}`) }))"
        />
        <n-select
          v-model:value="station"
          :options="stations"
          clearable
          size="large"
          :placeholder="t('shift.note.anywhere')"
          :aria-label="t('shift.note.station')"
        />
        <n-input
          v-model:value="said"
          size="large"
          type="textarea"
          :rows="3"
          :placeholder="t(`shift.note.like.${kind ?? 'other'}`)"
          :input-props="{ 'aria-label': t('shift.note.said') }"
          maxlength="300"
        />
        <n-button type="primary" class="keep" attr-type="submit" :disabled="!enough">{{
          t('shift.note.leave')
        }}</n-button>
        <take-back-now v-if="made" :draft="made" @back="made = null" />
      </form>
      <div>
        <notes-found plain />
        <p v-if="found.lines.length === 0" class="quiet">{{ t('shift.note.nothing') }}</p>
      </div>
    </div>
  </div>
</template>

<style scoped src="../pieces/halves.css" />
<style scoped>
.keep {
  min-height: 64px;
  font-size: 20px;
}
</style>
