<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useTimes } from '../site/times.ts'
import ChoicePick from '../pieces/ChoicePick.vue'
import { useTrust } from './trust.ts'

/** How a tablet comes to trust the computer that serves it: open to everybody, as it comes before anything else. */
const kinds = ['android', 'ipados', 'windows', 'chromeos', 'macos', 'linux'] as const
const { t, tm, rt } = useI18n()
const { date } = useTimes()
const { view, look, wrong } = useTrust()
const kind = ref<(typeof kinds)[number] | null>(null)
const steps = computed(() =>
  kind.value ? (tm(`trust.steps.${kind.value}`) as string[]).map((s) => rt(s)) : [],
)
</script>

<template>
  <main class="trust">
    <h1>{{ t('trust.title') }}</h1>
    <template v-if="wrong">
      <p role="alert">{{ t('trust.unreachable') }}</p>
      <n-button @click="look">{{ t('trust.again') }}</n-button>
    </template>
    <p v-else-if="view && !view.now">{{ t('trust.given') }}</p>
    <template v-else-if="view?.now">
      <p>{{ t('trust.why') }} {{ t('trust.limited') }}</p>
      <template v-for="which in ['now', 'next'] as const" :key="which">
        <section v-if="view[which]">
          <template v-if="which === 'next'">
            <h2>{{ t('trust.nextTitle') }}</h2>
            <p>{{ t('trust.next', { date: date(view.now.to) }) }}</p>
          </template>
          <p v-else>{{ t('trust.compare') }}</p>
          <code>{{ view[which].fingerprint }}</code>
          <p class="quiet">{{ t('trust.ends', { date: date(view[which].to) }) }}</p>
          <a class="get" :href="`/api/trust/${which}/authority.crt`" download>{{ t('trust.get') }}</a>
        </section>
      </template>
      <h2>{{ t('trust.kind') }}</h2>
      <choice-pick
        v-model="kind"
        :label="t('trust.kind')"
        :choices="kinds.map((value) => ({ value, text: t(`trust.kinds.${value}`) }))"
      />
      <ol v-if="kind">
        <li v-for="step in steps" :key="step">{{ step }}</li>
        <li>{{ t('trust.last') }}</li>
      </ol>
    </template>
    <router-link class="back" to="/">{{ t('trust.back') }}</router-link>
  </main>
</template>

<style scoped>
.trust {
  max-width: 760px;
  padding: 28px var(--gutter) 40px;
}
h1 {
  font-size: 28px;
  margin-bottom: 12px;
}
h2 {
  margin-top: 28px;
}
section {
  margin-top: 18px;
  padding: 14px 18px 18px;
  border-left: 5px solid var(--sea);
  background: var(--raised);
}
code {
  display: block;
  margin: 12px 0 4px;
  font-size: 18px;
  line-height: 1.6;
  overflow-wrap: anywhere;
}
ol {
  margin-top: 16px;
  padding-left: 24px;
  list-style: decimal;
}
ol li {
  padding: 8px 0;
}
.get {
  display: inline-flex;
  align-items: center;
  min-height: 56px;
  margin-top: 12px;
  padding: 0 22px;
  border-radius: var(--r);
  background: var(--sea);
  color: var(--sea-ink);
  font-weight: 600;
  text-decoration: none;
}
.back {
  display: inline-flex;
  align-items: center;
  min-height: 48px;
  margin-top: 20px;
  font-weight: 600;
}
</style>
