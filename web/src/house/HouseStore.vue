<script setup lang="ts">
import { productsAt, type ShelfSet } from '@tadka/core/shelf'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import EmptyContainers from '../shelf/EmptyContainers.vue'
import ShelfForm from '../shelf/ShelfForm.vue'
import ShelfShown from '../shelf/ShelfShown.vue'
import TooNearList from '../shelf/TooNearList.vue'
import { useChemicalStore } from '../shelf/chemical-store.ts'
import { useSite } from '../site/site.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { newId } from '../wire/device.ts'

/** The chemical store: where each stands, and what stands too near what it must not meet. */
const { t } = useI18n()
const site = useSite()
const session = useSession()
const message = useMessage()
const store = useChemicalStore()
const { areas, told, places } = store
const may = computed(() => session.mayDo('set-up-house'))
const setting = ref<string | null>(null)
const made = ref<AnyDraft | null>(null)
const changed = computed(() => places.value.find((p) => p.id === setting.value) ?? null)
const names = (ids: readonly string[]) => ids.map(store.product).toSorted().join(', ')
function keep(shelf: ShelfSet): void {
  if (setting.value === null) return
  made.value = site.record('shelf.set@1', { kind: 'shelf', id: setting.value }, shelf)
  message.success(t('house.saved'))
  setting.value = null
}
</script>

<template>
  <section class="store">
    <p class="quiet">{{ t('shelf.how') }}</p>
    <too-near-list v-if="places.length > 0" @made="(draft) => (made = draft)" />
    <template v-if="places.length > 0">
      <p v-if="told.nowhere.length > 0">{{ t('shelf.nowhere', { list: names(told.nowhere) }) }}</p>
      <p v-if="told.unread.length > 0">
        {{ t('shelf.unread', { list: names(told.unread) }) }}
        <router-link to="/house/products" class="link">{{ t('shelf.enter') }}</router-link>
      </p>
    </template>
    <take-back-now v-if="made" :key="made.id" class="own back" :draft="made" @back="made = null" />
    <div v-if="places.length === 0">
      <h2>{{ t('shelf.none') }}</h2>
      <p class="quiet">{{ t('shelf.noneHow') }}</p>
    </div>
    <div v-for="a in areas" :key="a.area" class="area">
      <h2 class="label">{{ a.area }}</h2>
      <template v-for="p in a.places" :key="p.id">
        <shelf-form
          v-if="may && setting === p.id"
          :id="p.id"
          :shelf="p.shelf"
          :holds="productsAt(p)"
          @keep="keep"
          @cancel="setting = null"
        />
        <shelf-shown v-else :place="p" @made="(draft) => (made = draft)">
          <n-button v-if="may" @click="setting = p.id">{{ t('shelf.set.change') }}</n-button>
        </shelf-shown>
      </template>
    </div>
    <shelf-form
      v-if="may && setting && !changed"
      :id="setting"
      :key="setting"
      :shelf="null"
      :holds="[]"
      @keep="keep"
      @cancel="setting = null"
    />
    <n-button v-else-if="may" type="primary" size="large" class="own" @click="setting = newId()">{{
      t('shelf.set.new')
    }}</n-button>
    <empty-containers @made="(draft) => (made = draft)" />
    <p class="quiet small">{{ t('shelf.caution') }}</p>
  </section>
</template>

<style scoped>
.store {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 18px;
}
.own {
  justify-self: start;
}
.back {
  position: sticky;
  bottom: 12px;
  z-index: 1;
  background: var(--raised);
}
.area {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
}
.link {
  display: inline-flex;
  min-height: 48px;
  align-items: center;
  font-weight: 600;
}
</style>
