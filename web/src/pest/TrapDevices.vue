<script setup lang="ts">
import type { TrapSet } from '@tadka/core/pest'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton, useMessage } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useAreas } from '../site/areas.ts'
import { useSite } from '../site/site.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { newId } from '../wire/device.ts'
import TrapForm from './TrapForm.vue'
import TrapLook from './TrapLook.vue'
import TrapMap from './TrapMap.vue'

/** The devices against pests, on a plan of the areas; each looked at from there. */
const { t } = useI18n()
const site = useSite()
const session = useSession()
const message = useMessage()
const { areas } = useAreas()
const may = computed(() => session.mayDo('set-up-house'))
const traps = computed(() => site.all('trap').filter((x) => x.trap && !x.trap.ended))
const places = computed(() =>
  [...new Set([...areas.value, ...traps.value.flatMap((x) => x.trap?.area ?? [])])].toSorted(),
)
const at = ref<string | null>(null)
const setting = ref<string | null>(null)
const made = ref<AnyDraft | null>(null)
const open = computed(() => traps.value.find((x) => x.id === at.value) ?? null)
const changed = computed(() => traps.value.find((x) => x.id === setting.value)?.trap ?? null)
function keep(trap: TrapSet): void {
  if (setting.value === null) return
  made.value = site.record('trap.set@1', { kind: 'trap', id: setting.value }, trap)
  message.success(t('house.saved'))
  setting.value = null
}
</script>

<template>
  <div class="devices">
    <p v-if="traps.length === 0" class="quiet">{{ t('pest.device.none') }}</p>
    <trap-map v-else :areas="places" :traps="traps" :at="at" @open="(id) => ((at = id), (setting = null))" />
    <trap-form v-if="may && setting" :key="setting" :trap="changed" @keep="keep" @cancel="setting = null" />
    <template v-else>
      <trap-look v-if="open" :key="open.id" :trap="open" @done="(draft) => ((at = null), (made = draft))">
        <n-button v-if="may" size="large" @click="setting = open.id">{{ t('task.change') }}</n-button>
      </trap-look>
      <take-back-now v-if="made" :key="made.id" class="new" :draft="made" @back="made = null" />
      <n-button v-if="may" size="large" class="new" @click="setting = newId()">{{
        t('pest.device.new')
      }}</n-button>
    </template>
  </div>
</template>

<style scoped>
.devices {
  display: grid;
  gap: 18px;
}
.new {
  justify-self: start;
}
</style>
