<script setup lang="ts">
import type { SafeAct } from '@tadka/core/procedure'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import TakeBackNow from '../site/TakeBackNow.vue'
import { useSite } from '../site/site.ts'

/** What makes a machine safe by hand, a tap each; the last one can be taken back. */
const props = defineProps<{ station: string; safe: readonly SafeAct[] }>()
const { t } = useI18n()
const site = useSite()

const made = ref<AnyDraft | null>(null)
function make(did: SafeAct): void {
  const subject = { kind: 'station', id: props.station } as const
  made.value = site.record('station.made-safe@1', subject, { station: props.station, did })
}
</script>

<template>
  <n-button v-for="s in safe" :key="s" class="alt" type="primary" ghost @click="make(s)">{{
    t(`run.safe.${s}`)
  }}</n-button>
  <take-back-now v-if="made" :key="made.id" :draft="made" @back="made = null" />
</template>
