<script setup lang="ts">
import type { CasePart, CaseState } from '@tadka/core/case'
import { NButton, NInput } from 'naive-ui'
import type { AnyDraft } from '@tadka/core/stream'
import { computed, ref, shallowRef } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'
import TakeBackNow from '../site/TakeBackNow.vue'
import { useTeller } from '../site/teller.ts'

/** One thing that a corrective action tells: what was said of it, and, while it is open, more to say, with what it often is. */
const props = defineProps<{ of: CaseState; part: CasePart; like: readonly string[]; may: boolean }>()
const { t } = useI18n()
const site = useSite()
const tell = useTeller()
const said = computed(() => props.of.told.filter((s) => s.part === props.part))
const typed = ref('')
const made = shallowRef<AnyDraft | null>(null)
const text = computed(() => typed.value.trim())

function say(): void {
  if (text.value.length < 3) return
  const told = { case: props.of.id, station: props.of.station, part: props.part, said: text.value }
  made.value = site.record('case.told@1', { kind: 'case', id: props.of.id }, told)
  typed.value = ''
}
</script>

<template>
  <section>
    <h2>{{ t(`case.ask.${part}`) }}</h2>
    <p v-for="s in said" :key="s.at" class="said">
      {{ s.said }} <span class="quiet">{{ tell.clock(s.at) }} {{ tell.person(s.by) }}</span>
    </p>
    <slot />
    <p v-if="said.length === 0 && !$slots['default']" class="quiet none">{{ t('case.notSaid') }}</p>
    <form v-if="may" class="no-print" @submit.prevent="say">
      <div class="often" role="group" :aria-label="t('case.often')">
        <button v-for="l in like" :key="l" type="button" @click="typed = l">{{ l }}</button>
      </div>
      <div class="line">
        <n-input
          v-model:value="typed"
          maxlength="500"
          :placeholder="t(`case.like.${part}`)"
          :input-props="{ 'aria-label': t(`case.ask.${part}`) }"
        />
        <take-back-now v-if="made && text === ''" :key="made.id" :draft="made" @back="made = null" />
        <n-button attr-type="submit" :disabled="text.length < 3">{{ t('case.say') }}</n-button>
      </div>
    </form>
  </section>
</template>

<style scoped>
section {
  padding: 14px 0 4px;
  border-top: 1px solid var(--line);
}
h2 {
  font-size: 20px;
  font-weight: 650;
}
.said {
  font-size: 19px;
  padding: 4px 0;
}
.none {
  padding: 4px 0;
}
form {
  display: grid;
  gap: 8px;
  margin-top: 6px;
}
.often {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.often button {
  min-height: 48px;
  padding: 0 14px;
  border: 1px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  color: inherit;
  font: inherit;
}
.line {
  display: flex;
  gap: 10px;
}
.line :deep(.n-input),
.line :deep(.n-button) {
  min-height: 52px;
  align-items: center;
}
</style>
