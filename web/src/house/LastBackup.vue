<script setup lang="ts">
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import { ask } from '../wire/api.ts'
import { now } from '../wire/clock.ts'

/** When everything was last backed up and whether a copy lies elsewhere; what to do where that is long ago or never was. */
const { t } = useI18n()
const session = useSession()
const { clock, day } = useTimes()
const at = ref<number | null>()
const copied = ref(false)
/** Longer ago than that is told as a fault: a disk may fail any day. */
const lateMs = 36 * 3_600_000
const isLate = () => typeof at.value !== 'number' || now() - at.value > lateMs

ask<{ at: number | null; copied: boolean }>('GET', `/api/sites/${session.site}/backup`).then(
  (answer) => {
    at.value = answer.at
    copied.value = answer.copied
  },
  () => {},
)
</script>

<template>
  <section v-if="at !== undefined" class="backup">
    <h2>{{ t('house.backup.title') }}</h2>
    <p :class="{ late: isLate() }">
      {{ at === null ? t('house.backup.none') : t('house.backup.last', { time: `${day(at)} ${clock(at)}` }) }}
    </p>
    <p v-if="at !== null" :class="{ quiet: copied }">
      {{ t(copied ? 'house.backup.copied' : 'house.backup.single') }}
    </p>
    <p v-if="isLate() || !copied" class="quiet">
      {{ t('house.backup.how') }} <code>./tadka start --backup FOLDER --copy FOLDER</code>
    </p>
  </section>
</template>

<style scoped>
.backup {
  margin-top: 28px;
}
.late {
  color: var(--out);
  font-weight: 600;
}
code {
  display: block;
  overflow-wrap: anywhere;
}
</style>
