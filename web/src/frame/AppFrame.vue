<script setup lang="ts">
import { Refusal } from '@tadka/core/refusal'
import { computed, onMounted, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '../people/session.ts'
import { sendPhotos } from '../record/photos.ts'
import { useSite } from '../record/site.ts'
import BottomDock from './BottomDock.vue'
import KeyHelp from './KeyHelp.vue'
import { fetchPlaces } from '../router.ts'
import { useKeys } from './keys.ts'

const session = useSession()
const site = useSite()
const route = useRoute()
const router = useRouter()
const { t } = useI18n()
const failed = ref(false)
const { help } = useKeys(router)

const toSignIn = () => router.replace({ path: '/sign-in', query: { to: route.fullPath } })

async function open(): Promise<void> {
  try {
    failed.value = false
    if (!session.known) await session.load()
    if (!session.acting || !session.site) return void toSignIn()
    if (!site.loaded) await site.load()
    if (site.loaded) {
      setTimeout(fetchPlaces, 1500)
      void sendPhotos()
    }
  } catch (error) {
    if (error instanceof Refusal && error.kind === 'not-signed-in') return void toSignIn()
    failed.value = true
    setTimeout(() => void open(), 2000)
  }
}
onMounted(open)
watch(
  () => session.acting,
  (acting) => {
    if (session.known && !acting) void toSignIn()
  },
)
const dock = computed(() => route.meta['dock'] !== false)
const notice = computed(() => {
  if (site.unknownType) return t('common.reload')
  return site.loaded && !site.connected ? t('common.offline') : ''
})
</script>

<template>
  <div class="frame" :class="{ dock }">
    <main v-if="site.loaded && session.acting" class="place">
      <router-view :key="route.path" />
    </main>
    <p v-else class="wait" role="status">{{ failed ? t('people.unreachable') : t('common.loading') }}</p>
    <p v-if="notice" class="notice" role="status">{{ notice }}</p>
    <bottom-dock v-if="dock" />
    <key-help v-model:show="help" />
  </div>
</template>

<style scoped>
.frame {
  height: 100%;
  display: flex;
  flex-direction: column;
}
.place {
  flex: 1 1 auto;
  min-height: 0;
  overflow: auto;
}
.wait {
  flex: 1;
  display: grid;
  place-items: center;
  color: var(--ink-2);
  padding: 24px;
  text-align: center;
}
.notice {
  background: var(--close-wash);
  color: var(--ink);
  padding: 8px 24px;
  font-weight: 600;
  text-align: center;
}
@media print {
  .frame {
    display: block;
    height: auto;
  }
  .place {
    overflow: visible;
  }
  .notice {
    display: none;
  }
}
</style>
