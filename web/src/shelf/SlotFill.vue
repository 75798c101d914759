<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import CodeScan from '../pieces/CodeScan.vue'
import ProductPick from './ProductPick.vue'
import { useChemicalStore } from './chemical-store.ts'

/** A new container for a slot: which it is, is asked before it is connected. */
const props = defineProps<{ mark: string; belongs: string }>()
const emit = defineEmits<{ filled: [product: string]; cancel: [] }>()
const { t } = useI18n()
const store = useChemicalStore()
const held = ref<string | null>(null)
const unknown = ref(false)
function scanned(code: string): void {
  held.value = store.products.value.find((p) => p.codes?.includes(code))?.id ?? null
  unknown.value = held.value === null
}
const said = computed(() => ({
  ...{ mark: props.mark, belongs: store.product(props.belongs) },
  product: held.value ? store.product(held.value) : '',
}))
const isRight = computed(() => held.value === props.belongs)
</script>

<template>
  <div class="fill">
    <b>{{ t('shelf.slot.what') }}</b>
    <code-scan :text="t('shelf.slot.scan')" :how="t('shelf.slot.scanHow')" @read="scanned" />
    <p v-if="unknown" role="status">{{ t('shelf.slot.unknown') }}</p>
    <product-pick v-model="held" :products="store.products.value" :label="t('shelf.slot.what')" />
    <template v-if="held">
      <template v-if="isRight">
        <p class="right" role="status">✓ {{ t('shelf.slot.right', said) }}</p>
        <n-button type="primary" size="large" @click="emit('filled', belongs)">{{
          t('shelf.slot.rightDo')
        }}</n-button>
      </template>
      <template v-else>
        <div class="wrong" role="alert">
          <p>
            <b>{{ t('shelf.slot.wrong', said) }}</b>
          </p>
          <p>{{ t('shelf.slot.wrongDo', said) }}</p>
        </div>
        <div class="ways">
          <n-button type="primary" size="large" @click="emit('cancel')">{{ t('shelf.slot.notIn') }}</n-button>
          <n-button size="large" @click="emit('filled', held)">{{ t('shelf.slot.isIn') }}</n-button>
        </div>
      </template>
    </template>
  </div>
</template>

<style scoped>
.fill {
  display: grid;
  gap: 10px;
  justify-items: start;
  padding: 6px 0 12px;
}
.fill > :deep(.pick) {
  width: 100%;
}
.right {
  color: var(--in);
  font-weight: 650;
}
.wrong {
  border-left: 5px solid var(--out);
  padding: 4px 14px;
}
.wrong b {
  color: var(--out);
  font-size: 20px;
}
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
</style>
