<script setup lang="ts">
import type { InVessel, PourVerdict } from '@tadka/core/solution'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useKit, type Product } from '../site/kit.ts'

/** What is still in the vessel: asked where nobody knows, refused with the reason where the product must not meet it. */
const props = defineProps<{ verdict: PourVerdict | null; product: Product }>()
const emit = defineEmits<{ said: [inside: InVessel] }>()
const { t } = useI18n()
const kit = useKit()

const refused = computed(() => {
  const v = props.verdict
  if (!v || v.may) return null
  if (v.why !== 'clash') return { danger: v.why === 'unknown-contents', text: t(`bench.left.${v.why}`) }
  const [a, b] = v.clash.between
  return {
    danger: v.clash.danger,
    text: t('bench.left.clash', {
      a: t(`chemical.${a}`),
      b: t(`chemical.${b}`),
      effect: t(`bench.effect.${v.clash.effect}`),
    }),
  }
})
const others = computed(() =>
  kit.products.value.filter((p, i, all) => all.findIndex((o) => o.chemicalClass === p.chemicalClass) === i),
)
</script>

<template>
  <div class="left">
    <p v-if="refused" class="refused" :class="{ danger: refused.danger }" role="alert">
      <b>{{ t('bench.left.not') }}</b> {{ refused.text }}
    </p>
    <h2>{{ t(refused ? 'bench.left.then' : 'bench.left.ask') }}</h2>
    <div class="choices">
      <button type="button" class="main" @click="emit('said', 'empty')">{{ t('bench.left.empty') }}</button>
      <template v-if="!refused">
        <button type="button" @click="emit('said', 'water')">{{ t('bench.left.water') }}</button>
        <button v-for="p in others" :key="p.id" type="button" @click="emit('said', p.chemicalClass)">
          {{ p.name }}
        </button>
        <button type="button" @click="emit('said', 'unknown')">{{ t('bench.left.unknown') }}</button>
      </template>
    </div>
  </div>
</template>

<style scoped>
.left {
  max-width: 640px;
  padding-top: 12px;
}
.refused {
  font-size: 22px;
  line-height: 1.35;
  padding: 16px 20px;
  border-left: 6px solid var(--close);
  background: var(--close-wash);
  margin-bottom: 22px;
}
.refused.danger {
  border-left-color: var(--out);
  background: var(--raised);
}
.refused.danger b {
  color: var(--out);
}
h2 {
  font-size: 26px;
  margin-bottom: 14px;
}
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
button {
  min-height: 64px;
  padding: 0 22px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  font-weight: 650;
  font-size: 19px;
  cursor: pointer;
}
button.main {
  border-color: var(--sea);
  background: var(--sea-wash);
}
</style>
