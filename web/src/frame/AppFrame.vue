<script setup lang="ts">
import { Refusal } from '@tadka/core/refusal'
import { computed, onMounted, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { useSession } from '../rights/session.ts'
import { sendPhotos } from '../stream/kept-photos.ts'
import { fetchPictures } from '../site/pictures.ts'
import { picturesShown } from '../site/pictures-shown.ts'
import { useSiteStore } from '../site/site.ts'
import { useUnitSystem } from '../site/unit-system.ts'
import { useEntryWatch } from '../pieces/entered.ts'
import BottomDock from './BottomDock.vue'
import NoticeLine from './NoticeLine.vue'
import { fetchPlaces } from '../router.ts'
import { useKeys } from './keys.ts'
import { later } from '../pieces/later.ts'

const HintLine = later(() => import('./HintLine.vue'))
const KeyHelp = later(() => import('./KeyHelp.vue'))

const session = useSession()
const site = useSiteStore()
const route = useRoute()
const router = useRouter()
const { t } = useI18n()
const failed = ref(false)
/** The server was asked for the site, and did not answer. */
const unseen = ref(false)
const { help } = useKeys(router)
const { system } = useUnitSystem()
useEntryWatch(() => `${route.path} ${system.value}`)

const toSignIn = () => router.replace({ path: '/sign-in', query: { to: route.fullPath } })

async function open(): Promise<void> {
  try {
    failed.value = false
    if (!session.known) await session.load()
    if (!session.acting || !session.site) return void toSignIn()
    if (session.acting.role === 'inspector') return void router.replace('/inspect')
    if (!site.loaded) await site.load()
    unseen.value = !site.loaded
    if (site.loaded) {
      setTimeout(() => {
        fetchPlaces()
        void fetchPictures(session.site ?? '', picturesShown(site))
      }, 1500)
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
</script>

<template>
  <div class="frame" :class="{ dock }">
    <slot v-if="site.loaded && session.acting" name="above" />
    <main v-if="site.loaded && session.acting" class="place">
      <router-view :key="`${route.path} ${system}`" />
    </main>
    <section v-else-if="failed || unseen" class="wait" role="status">
      <div>
        <h1>{{ t('common.noConnection.title') }}</h1>
        <p>{{ t('common.noConnection.how') }}</p>
      </div>
    </section>
    <p v-else class="wait" role="status">{{ t('common.loading') }}</p>
    <hint-line v-if="site.loaded && session.acting" />
    <slot v-if="site.loaded && session.acting" />
    <notice-line :in-run="!dock" />
    <bottom-dock v-if="dock" />
    <key-help v-if="help" v-model:show="help" />
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
.wait h1 {
  font-size: 26px;
  margin-bottom: 8px;
}
.wait div {
  max-width: 46ch;
}
.wait {
  flex: 1;
  display: grid;
  place-items: center;
  color: var(--ink-2);
  padding: 24px;
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
