<script setup lang="ts">
import { NPopover } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { useSiteStore } from '../site/site.ts'
import { useSession } from '../rights/session.ts'
import UnitSwitch from './UnitSwitch.vue'

/** Who acts, and how many records are unsent; two taps change who. */
const session = useSession()
const site = useSiteStore()
const route = useRoute()
const router = useRouter()
const { t } = useI18n()
const open = ref(false)

function act(id: string): void {
  session.actingId = id
  open.value = false
}
const another = () => router.push({ path: '/sign-in', query: { to: route.fullPath } })
</script>

<template>
  <div class="acting">
    <router-link
      v-if="session.mayDo('record')"
      to="/shift/wrong"
      class="wrong"
      :aria-label="t('trouble.open')"
      :title="t('trouble.open')"
      ><span aria-hidden="true">!</span></router-link
    >
    <unit-switch />
    <n-popover v-model:show="open" trigger="click" placement="bottom-end" :show-arrow="false" raw>
      <template #trigger>
        <button type="button" class="chip" :aria-label="`${t('people.acting')}: ${session.acting?.name}`">
          <span class="face" aria-hidden="true">{{ session.acting?.name.slice(0, 2) }}</span>
          <span class="who">
            <b>{{ session.acting?.name }}</b>
            <span v-if="site.refused.length > 0" class="state bad">{{
              t('common.refused', { n: site.refused.length })
            }}</span>
            <span v-else class="state">
              {{ site.unsent > 0 ? t('common.unsent', { n: site.unsent }) : t('common.allSent') }}
            </span>
          </span>
        </button>
      </template>
      <div class="sheet">
        <h2 class="label">{{ t('people.onTablet') }}</h2>
        <div v-for="p in session.people" :key="p.id" class="row">
          <button type="button" class="pick" :aria-pressed="p.id === session.acting?.id" @click="act(p.id)">
            <span class="face" aria-hidden="true">{{ p.name.slice(0, 2) }}</span>
            <span>{{ p.name }}</span>
            <span class="quiet small">{{ t(`people.role.${p.role}`) }}</span>
          </button>
          <button type="button" class="out" @click="session.signOut(p.id)">{{ t('people.signOut') }}</button>
        </div>
        <router-link v-if="site.unsent > 0" class="add" to="/log/unsent" @click="open = false">
          {{ t('common.unsent', { n: site.unsent }) }}: {{ t('common.unsentHow') }}
        </router-link>
        <button type="button" class="add" @click="another">{{ t('people.add') }}</button>
      </div>
    </n-popover>
  </div>
</template>

<style scoped>
.acting {
  display: flex;
  align-items: center;
  gap: 8px;
}
.wrong {
  flex: none;
  width: 48px;
  height: 48px;
  border: 2px solid var(--out);
  border-radius: 8px;
  display: grid;
  place-items: center;
  color: var(--out);
  font-size: 26px;
  font-weight: 750;
  text-decoration: none;
}
.chip {
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 48px;
  padding: 0 12px 0 6px;
  border: 1.5px solid var(--line);
  border-radius: 99px;
  background: var(--raised);
  text-align: left;
  cursor: pointer;
}
.face {
  flex: none;
  width: 36px;
  height: 36px;
  border-radius: 50%;
  background: var(--sea);
  color: var(--sea-ink);
  display: grid;
  place-items: center;
  font-weight: 650;
  font-size: 15px;
}
.who {
  line-height: 1.15;
}
.state {
  display: block;
  color: var(--ink-2);
  font-size: 14px;
}
.bad {
  color: var(--out);
}
.sheet {
  background: var(--raised);
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  padding: 14px 16px 16px;
  width: min(360px, 92vw);
}
.row {
  display: flex;
  gap: 8px;
  margin-top: 10px;
}
.pick {
  flex: 1;
  min-height: 56px;
  display: flex;
  align-items: center;
  gap: 12px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: none;
  padding: 0 12px;
  font-weight: 600;
  cursor: pointer;
}
.pick[aria-pressed='true'] {
  border-color: var(--sea);
  background: var(--sea-wash);
}
.out,
.add {
  border: 0;
  background: none;
  min-height: 48px;
  padding: 0 8px;
  color: var(--sea);
  font-weight: 600;
  cursor: pointer;
}
a.add {
  display: flex;
  align-items: center;
}
.add {
  margin-top: 8px;
}
</style>
