<script setup lang="ts">
import { openFaults } from '@tadka/core/fault'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed, ref, shallowRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute } from 'vue-router'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import FaultForm from './FaultForm.vue'
import FaultRow from './FaultRow.vue'

/** Faults that are open, what stops a machine first; and a new one. */
const { t } = useI18n()
const site = useSite()
const session = useSession()
const route = useRoute()
const open = computed(() => openFaults(site.all('fault')))
const station = computed(() => (typeof route.query['station'] === 'string' ? route.query['station'] : null))
const said = computed(() => (typeof route.query['said'] === 'string' ? route.query['said'] : ''))
const writing = ref(station.value !== null)
const made = shallowRef<readonly AnyDraft[]>([])
</script>

<template>
  <div class="faults">
    <template v-if="session.mayDo('record')">
      <fault-form
        v-if="writing"
        :station="station"
        :said="said"
        @made="(draft) => ((made = [draft]), (writing = false))"
        @cancel="writing = false"
      />
      <n-button v-else type="primary" size="large" class="own" @click="writing = true">{{
        t('fault.new')
      }}</n-button>
    </template>
    <take-back-now
      v-if="made[0]"
      :key="made[0].id"
      class="own"
      :draft="made[0]"
      :also="made.slice(1)"
      @back="made = []"
    />
    <h2 class="label">{{ t('fault.open') }}</h2>
    <p v-if="open.length === 0" class="quiet">{{ t('fault.none') }}</p>
    <ul>
      <fault-row v-for="f in open" :key="f.id" :fault="f" @made="(drafts) => (made = drafts)" />
    </ul>
  </div>
</template>

<style scoped>
.faults {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}
.own {
  justify-self: start;
}
</style>
