<script setup lang="ts">
import type { AnyDraft } from '@tadka/core/stream'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import FilePick from '../pieces/FilePick.vue'
import { useSession } from '../rights/session.ts'
import type { Product } from '../site/kit.ts'
import { usePhotos, UnfitSheet } from '../site/photos.ts'
import { usePicture } from '../site/pictures.ts'
import { useSite } from '../site/site.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { useTimes } from '../site/times.ts'

/** A product's data sheet: opened on this tablet without network too, once it has come; brought in as the maker's PDF. */
const props = defineProps<{ product: Product }>()
const { t } = useI18n()
const site = useSite()
const session = useSession()
const photos = usePhotos()
const { date } = useTimes()

const sheet = computed(() => props.product.sheet ?? null)
const { src, missing } = usePicture(() => sheet.value?.sha256 ?? null)
const may = computed(() => session.mayDo('set-up-house'))
const wrong = ref('')
const made = ref<AnyDraft | null>(null)

async function bring(file: File): Promise<void> {
  wrong.value = ''
  try {
    const sha256 = await photos.keepSheet(file)
    const payload = { product: props.product.id, sha256, name: file.name.slice(0, 120) }
    made.value = site.record('product.sheet@1', { kind: 'product', id: props.product.id }, payload)
  } catch (error) {
    wrong.value = t(error instanceof UnfitSheet ? `house.card.sheetFault.${error.why}` : 'run.noPicture')
  }
}
</script>

<template>
  <section class="sheet">
    <h2>{{ t('house.card.sheet') }}</h2>
    <template v-if="sheet">
      <p v-if="src" class="act">
        <a :href="src" target="_blank" rel="noopener" class="open">{{ t('house.card.sheetOpen') }}</a>
        <a :href="src" :download="sheet.name" class="link">{{ t('house.card.sheetSave') }}</a>
      </p>
      <p v-else-if="missing" role="status">{{ t('house.card.sheetMissing') }}</p>
      <p class="quiet">{{ t('house.card.sheetOf', { name: sheet.name, day: date(sheet.at) }) }}</p>
    </template>
    <p v-else class="quiet">{{ t('house.card.noSheet') }}</p>
    <div v-if="may" class="act">
      <file-pick
        :text="t(sheet ? 'house.card.sheetNewer' : 'house.card.sheetBring')"
        accept="application/pdf,.pdf"
        @pick="bring"
      />
      <take-back-now v-if="made" :draft="made" @back="made = null" />
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
.sheet {
  display: grid;
  gap: 10px;
  justify-items: start;
}
h2 {
  font-size: 22px;
}
.open {
  min-height: 64px;
  display: inline-flex;
  align-items: center;
  padding: 0 24px;
  border: 1.5px solid var(--sea);
  border-radius: var(--r);
  font-size: 20px;
  font-weight: 650;
  text-decoration: none;
}
.act {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
}
.wrong {
  color: var(--out);
  font-weight: 600;
}
</style>
