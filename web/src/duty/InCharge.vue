<script setup lang="ts">
import type { AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useProcedures } from '../site/procedures.ts'
import { useSite } from '../site/site.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { useTimes } from '../site/times.ts'

/** Who is the person in charge now: whoever said so last today. A lead or manager takes charge with one tap. */
const { t } = useI18n()
const site = useSite()
const session = useSession()
const names = useNames()
const { today } = useProcedures()
const { clock } = useTimes()

const last = computed(() => site.one('shift', today.value)?.charge?.at(-1) ?? null)
const mayTake = computed(() => session.mayDo('sign-shift') && last.value?.by !== session.acting?.id)
const made = ref<AnyDraft | null>(null)
const take = () =>
  (made.value = site.record('charge.taken@1', { kind: 'shift', id: today.value }, { day: today.value }))
</script>

<template>
  <div class="charge">
    <p v-if="last || session.mayDo('sign-shift')">
      {{
        last
          ? t('shift.charge.is', { who: names.person(last.by), time: clock(last.at) })
          : t('shift.charge.nobody')
      }}
    </p>
    <n-button v-if="mayTake" @click="take">{{ t('shift.charge.take') }}</n-button>
    <take-back-now v-else-if="made && last?.by === made.by" :draft="made" @back="made = null" />
    <router-link v-if="session.mayDo('sign-shift')" to="/shift/huddle" class="link">{{
      t('shift.huddle')
    }}</router-link>
  </div>
</template>

<style scoped>
.charge {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 14px;
  align-items: center;
  padding: 6px 0 12px;
}
p {
  font-weight: 600;
}
</style>
