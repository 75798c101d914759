<script setup lang="ts">
import { pieces, type Part, type Step } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'

/** Parts ticked out or in, each by its count; none may be left over. */
const props = defineProps<{ step: Step & { kind: 'parts' }; blocked: boolean }>()
const emit = defineEmits<{ counted: [n: number] }>()
const { t } = useI18n()

const counts = ref<Record<string, number>>({})
const of = (part: Part) => counts.value[part.id] ?? 0
const all = computed(() => pieces(props.step))
const counted = computed(() => props.step.parts.reduce((n, p) => n + of(p), 0))
const missing = computed(() => props.step.parts.filter((p) => of(p) < p.count))

/** One tap counts one piece; a tap on a full one begins anew. */
function tap(part: Part): void {
  counts.value = { ...counts.value, [part.id]: of(part) >= part.count ? 0 : of(part) + 1 }
}
</script>

<template>
  <div class="parts">
    <ul>
      <li v-for="part in step.parts" :key="part.id">
        <button
          type="button"
          :class="{ full: of(part) >= part.count }"
          :disabled="blocked"
          @click="tap(part)"
        >
          <span class="name">{{ part.name }}</span>
          <span class="dots" aria-hidden="true">
            <i v-for="n in part.count" :key="n" :class="{ on: n <= of(part) }" />
          </span>
          <span class="count">{{ t('run.count', { n: of(part), of: part.count }) }}</span>
        </button>
      </li>
    </ul>
    <div class="act">
      <n-button
        type="primary"
        class="big"
        :disabled="missing.length > 0 || blocked"
        @click="emit('counted', counted)"
      >
        {{ t('run.allCounted', { n: all }) }}
      </n-button>
      <p v-if="counted > 0 && missing.length > 0 && missing.length <= 3" class="missing">
        {{ t('run.missing', { n: missing.map((p) => p.name).join(', ') }) }}
      </p>
    </div>
  </div>
</template>

<style scoped>
.parts {
  flex: 1;
  display: flex;
  flex-direction: column;
  min-height: 0;
}
ul {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 10px;
  margin-top: 14px;
  overflow: auto;
}
li button {
  width: 100%;
  min-height: 64px;
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
  gap: 2px 14px;
  padding: 6px 14px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  text-align: left;
  cursor: pointer;
}
.name {
  font-size: 19px;
  line-height: 1.15;
  font-weight: 600;
}
.count {
  grid-column: 1;
  font-size: 14px;
  color: var(--ink-2);
}
.dots {
  grid-row: 1 / 3;
  grid-column: 2;
  display: flex;
  gap: 5px;
}
.dots i {
  width: 18px;
  height: 18px;
  border-radius: 50%;
  border: 2.5px solid var(--ink-3);
}
.dots i.on {
  background: var(--sea);
  border-color: var(--sea);
}
.full {
  background: var(--sea-wash) !important;
  border-color: var(--sea) !important;
}
.act {
  margin-top: auto;
  padding-top: 16px;
  display: flex;
  gap: 18px;
  align-items: center;
}
.missing {
  max-width: 24em;
  font-weight: 600;
}
@media (max-width: 760px) {
  ul {
    grid-template-columns: 1fr;
  }
}
</style>
