<script setup lang="ts">
import { NButton, NSwitch } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { singleKeys } from '../frame/keys.ts'
import { useTheme } from '../look/theme.ts'
import { ring } from '../procedure/caller.ts'

const { t } = useI18n()
const { choice } = useTheme()
const themes = ['auto', 'light', 'dark'] as const
const rang = ref(false)
</script>

<template>
  <section>
    <h2 class="label">{{ t('house.theme') }}</h2>
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
    <h2 class="label">{{ t('house.sound') }}</h2>
    <n-button @click="rang = ring() || true">{{ t('house.sound') }}</n-button>
    <span v-if="rang" class="quiet"> {{ t('house.soundOk') }}</span>
    <h2 id="keys-switch" class="label">{{ t('house.keys') }}</h2>
    <n-switch v-model:value="singleKeys" aria-labelledby="keys-switch" />
    <p class="quiet small decides">{{ t('common.decides') }}</p>
  </section>
</template>

<style scoped>
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
