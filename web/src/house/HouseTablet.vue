<script setup lang="ts">
import { NButton, NSwitch } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { singleKeys } from '../frame/keys.ts'
import { useTheme } from '../look/theme.ts'
import { useSession } from '../rights/session.ts'
import { ring } from '../procedure/caller.ts'
import CertificateEnd from './CertificateEnd.vue'
import HouseTablets from './HouseTablets.vue'
import LastBackup from './LastBackup.vue'

const { t } = useI18n()
const { choice } = useTheme()
const themes = ['auto', 'light', 'dark'] as const
const rang = ref(false)
const session = useSession()
</script>

<template>
  <section>
    <template v-if="session.mayDo('set-up-house')">
      <house-tablets />
      <last-backup />
      <certificate-end />
    </template>
    <h2 class="this">{{ t('house.thisTablet') }}</h2>
    <h3 class="label">{{ t('house.theme') }}</h3>
    <div class="themes" role="group" :aria-label="t('house.theme')">
      <n-button
        v-for="name in themes"
        :key="name"
        :type="choice === name ? 'primary' : 'default'"
        :aria-pressed="choice === name"
        @click="choice = name"
      >
        {{ t(`house.themes.${name}`) }}
      </n-button>
    </div>
    <h3 class="label">{{ t('house.sound') }}</h3>
    <n-button @click="rang = ring() || true">{{ t('house.sound') }}</n-button>
    <span v-if="rang" class="quiet"> {{ t('house.soundOk') }}</span>
    <h3 id="keys-switch" class="label">{{ t('house.keys') }}</h3>
    <n-switch v-model:value="singleKeys" aria-labelledby="keys-switch" />
    <p class="quiet small decides">{{ t('common.decides') }}</p>
  </section>
</template>

<style scoped>
.this {
  margin-top: 28px;
}
.label {
  margin: 22px 0 8px;
}
.themes {
  display: flex;
  gap: 10px;
}
.decides {
  margin-top: 32px;
}
</style>
