<script setup lang="ts">
import type { Interval } from '@tadka/core/quantity'
import type { Judgement } from '@tadka/core/rules'
import type { Refusal } from '@tadka/core/refusal'
import { NButton } from 'naive-ui'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'
import JudgementView from './JudgementView.vue'

/**
 * A check: what is typed on one side, what it comes to on the other, as one types; then it is kept. What is judged here is the
 * same that goes into the log.
 */
defineProps<{
  /** What must be done before, where this reading is a further one. */
  again?: string | null
  /** Thermometers that were found wrong in melting ice. */
  failed: readonly string[]
  refusal: Refusal | null
  judgement: Judgement | null
  /** What to do first, while there is nothing to judge. */
  hint: string
  /** Why it cannot be kept yet. */
  stopped?: string | null
  /** How the bath will stand, and after what. */
  after?: { readonly strength: Interval; readonly label: string } | null
}>()
const emit = defineEmits<{ keep: [] }>()
const { t } = useI18n()
const { isPractice = false } = useSite()
</script>

<template>
  <div class="check">
    <section class="entry"><slot /></section>
    <section class="verdict">
      <p v-if="again" class="again">{{ again }}</p>
      <p v-for="name in failed" :key="name" class="refusal" role="alert">
        {{ t('bench.failedIce', { name }) }}
      </p>
      <p v-if="refusal" class="refusal" role="alert">{{ refusal.message }}</p>
      <template v-else-if="judgement">
        <judgement-view
          :judgement="judgement"
          :after="after?.strength ?? null"
          :after-label="after?.label ?? ''"
        >
          <slot name="advice" />
        </judgement-view>
        <n-button
          size="large"
          :type="judgement.overall === 'in' ? 'primary' : 'default'"
          class="keep"
          :disabled="!!stopped"
          @click="emit('keep')"
        >
          {{ t(isPractice ? 'practice.keep' : 'bench.keep') }}
        </n-button>
        <p v-if="stopped" class="refusal" role="alert">{{ stopped }}</p>
      </template>
      <p v-else class="hint">{{ hint }}</p>
      <p class="quiet small decides">{{ t('common.decides') }}</p>
    </section>
  </div>
</template>

<style scoped>
.check {
  display: grid;
  grid-template-columns: 430px minmax(0, 1fr);
  min-height: 100%;
  /* In a run it stands over what every step has beneath it: it takes its own height there. */
  flex: 1 0 auto;
  --key: 52px;
}
.entry {
  display: flex;
  flex-direction: column;
  gap: 12px;
  padding: 16px var(--gutter);
  border-right: 1px solid var(--line);
}
.verdict {
  padding: 16px var(--gutter) 16px 28px;
}
.hint {
  font-size: 22px;
  color: var(--ink-2);
  max-width: 22em;
  padding-top: 40px;
}
.again {
  font-weight: 650;
  font-size: 19px;
  margin-bottom: 10px;
}
.refusal {
  color: var(--out);
  font-weight: 650;
  font-size: 20px;
}
.keep {
  margin-top: 14px;
  min-width: 220px;
}
.decides {
  margin-top: 14px;
}
/* Room enough to set the keys beside what is typed. */
@media (min-width: 1200px) {
  .check.wide {
    grid-template-columns: 740px minmax(0, 1fr);
  }
  .wide .entry {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 258px;
    gap: 28px;
    align-content: start;
  }
}
@media (max-width: 760px) {
  .check {
    grid-template-columns: minmax(0, 1fr);
  }
  .entry {
    border: 0;
  }
}
</style>
