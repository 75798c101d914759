<script setup lang="ts">
import type { Lacking, MayWork } from '@tadka/core/illness'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'

/** Whether somebody may work, and each way back. */
defineProps<{ says: MayWork }>()
const { t } = useI18n()
const { clock, day } = useTimes()
function lacking(l: Lacking): string {
  const when = 'at' in l && l.at !== null ? `${day(l.at)} ${clock(l.at)}` : ''
  if (l.is === 'days') return t('illness.lacking.days', { n: l.days, when })
  if (l.is !== 'free') return t(`illness.lacking.${l.is}`)
  const time =
    l.hours % 24 === 0 && l.hours > 48 ? t('illness.days', l.hours / 24) : t('illness.hours', l.hours)
  return t(when ? 'illness.lacking.freeAt' : 'illness.lacking.free', { time, when })
}
</script>

<template>
  <div class="says" :class="says.is" role="status">
    <b>{{ t(`illness.is.${says.is}`) }}</b>
    <p v-if="says.is !== 'fit'">{{ t(`illness.means.${says.is}`) }}</p>
    <template v-if="says.until.length > 0">
      <span class="small">{{ t('illness.back') }}</span>
      <ul>
        <li v-for="(way, n) in says.until" :key="n">
          {{ n > 0 ? `${t('illness.or')} ` : '' }}{{ way.map(lacking).join(t('illness.and')) }}
        </li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.says {
  padding: 8px 14px;
  border-left: 6px solid var(--in);
}
.restricted {
  border-left-color: var(--close);
}
.excluded {
  border-left-color: var(--out);
}
b {
  font-size: 19px;
}
</style>
