<script setup lang="ts">
import type { BathMixed } from '@tadka/core/bath'
import { NButton } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import { useNames } from '../site/names.ts'

/** The label of a working container: what it is, how strong, when and by whom it was mixed, and until when it serves. */
defineProps<{ mixed: BathMixed & { mixedAt: number; by: string; useBy: number } }>()
const { t } = useI18n()
const names = useNames()
const { clock, day } = useTimes()
const print = () => window.print()
</script>

<template>
  <section class="container-label">
    <div class="tag">
      <b>{{ mixed.productName }}</b>
      <p class="strength">{{ mixed.target === null ? t('bench.asLabel') : `${mixed.target} ppm` }}</p>
      <dl>
        <div>
          <dt>{{ t('bench.label.mixed') }}</dt>
          <dd>{{ day(mixed.mixedAt) }} {{ clock(mixed.mixedAt) }}</dd>
        </div>
        <div>
          <dt>{{ t('bench.label.by') }}</dt>
          <dd>{{ names.person(mixed.by) }}</dd>
        </div>
        <div>
          <dt>{{ t('bench.label.useBy') }}</dt>
          <dd>{{ day(mixed.useBy) }} {{ clock(mixed.useBy) }}</dd>
        </div>
        <div>
          <dt>{{ t('bench.label.where') }}</dt>
          <dd>{{ mixed.where }}</dd>
        </div>
      </dl>
    </div>
    <div class="act">
      <n-button size="large" @click="print">{{ t('bench.label.print') }}</n-button>
      <slot />
    </div>
  </section>
</template>

<style scoped>
.tag {
  width: 420px;
  max-width: 100%;
  border: 3px solid var(--ink);
  border-radius: 6px;
  padding: 18px 22px;
}
.tag > b {
  font-size: 34px;
  line-height: 1.1;
}
.strength {
  font-size: 44px;
  font-weight: 700;
}
dl {
  margin: 10px 0 0;
  font-size: 20px;
}
dl div {
  display: grid;
  grid-template-columns: 110px 1fr;
}
dd {
  margin: 0;
  font-weight: 650;
}
.act {
  display: flex;
  gap: 14px;
  margin-top: 18px;
}
</style>

<style>
@media print {
  body:has(.container-label) * {
    visibility: hidden;
  }
  .container-label .tag,
  .container-label .tag * {
    visibility: visible;
  }
  .container-label .tag {
    position: fixed;
    inset: 8mm auto auto 8mm;
    color: #000;
    border-color: #000;
  }
}
</style>
