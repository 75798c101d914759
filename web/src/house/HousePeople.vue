<script setup lang="ts">
import { mayUnlock } from '@tadka/core/people'
import { Refusal } from '@tadka/core/refusal'
import { NButton, useMessage } from 'naive-ui'
import { onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../people/session.ts'
import { ask } from '../wire/api.ts'
import SignOffs from './SignOffs.vue'

const { t } = useI18n()
const session = useSession()
const message = useMessage()
const open = ref<string | null>(null)
onMounted(() => session.openDoor().catch(() => {}))

async function unlock(id: string): Promise<void> {
  try {
    await ask('POST', `/api/sites/${session.site}/people/${id}/unlock`)
    await session.openDoor()
    message.success(t('house.unlocked'))
  } catch (error) {
    message.error(error instanceof Refusal ? error.message : t('common.offline'))
  }
}
</script>

<template>
  <ul>
    <li v-for="p in session.everyone" :key="p.id">
      <b>{{ p.name }}</b>
      <span class="quiet">{{ t(`people.role.${p.role}`) }}</span>
      <span>
        <template v-if="p.lockedOn.length > 0">
          <span class="locked">{{
            t('house.lockedOn', { tablets: p.lockedOn.map((b) => b.name).join(', ') })
          }}</span>
          <n-button v-if="session.acting && mayUnlock(session.acting.role, p.role)" @click="unlock(p.id)">{{
            t('house.unlock')
          }}</n-button>
        </template>
        <n-button v-if="session.mayDo('set-up-house')" @click="open = open === p.id ? null : p.id">
          {{ t('house.offs.title') }}
        </n-button>
      </span>
      <sign-offs v-if="open === p.id" :person="p.id" @close="open = null" />
    </li>
  </ul>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(120px, 220px) minmax(70px, 160px) 1fr;
  align-items: center;
  min-height: 60px;
  border-bottom: 1px solid var(--line-soft);
}
b {
  font-size: 19px;
}
.locked {
  color: var(--out);
  font-weight: 600;
  margin-right: 16px;
}
</style>
