<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'

/** What is mixed and no product is entered for: said with the way to enter one. Once it is, what waited for it goes on by itself. */
defineProps<{ use: string }>()
const { t, te } = useI18n()
const session = useSession()
const named = (use: string) => (te(`uses.${use}`) ? t(`uses.${use}`) : use)
</script>

<template>
  <p class="lack" role="status">
    {{ t('run.begins.noProduct', { use: named(use) }) }}
    <router-link v-if="session.mayDo('set-up-house')" :to="`/house/products?for=${use}`">{{
      t('house.label.new')
    }}</router-link>
    <span v-else>{{ t('run.begins.askManager') }}</span>
  </p>
</template>

<style scoped>
.lack {
  padding: 12px 16px;
  background: var(--close-wash);
  border-left: 5px solid var(--close);
  font-size: 19px;
  font-weight: 600;
}
.lack a {
  margin-left: 12px;
  color: var(--sea);
  line-height: 48px;
}
</style>
