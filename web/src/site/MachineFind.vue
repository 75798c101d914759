<script setup lang="ts">
import { NInput } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import CodeScan from '../pieces/CodeScan.vue'
import { useSite } from './site.ts'
import { stationOfCode } from './tag-code.ts'

/** A machine by the number of its tag, a part of its name, or its code before the camera. */
const query = defineModel<string>({ required: true })
const props = defineProps<{ /** The machines whose name fits what is typed. */ named: readonly string[] }>()
const { t } = useI18n()
const site = useSite()
const router = useRouter()
const unknown = ref(false)
const tagged = computed(() => site.all('station').map((s) => ({ id: s.id, tag: s.plate?.tag ?? '' })))

function open(id: string | null): void {
  unknown.value = id === null
  if (id !== null) void router.push(`/run/at/${id}`)
}
const scanned = (text: string) => open(stationOfCode(text, tagged.value))
/** A number opens its machine, a name the only one that has it; where several do, they stand below to choose from. */
function typed(): void {
  const [only = null, second] = props.named
  const id = stationOfCode(query.value, tagged.value)
  if (id !== null || second === undefined) open(id ?? only)
}
</script>

<template>
  <div>
    <form class="find" @submit.prevent="typed">
      <n-input
        v-model:value="query"
        size="large"
        clearable
        :placeholder="t('machine.find')"
        :input-props="{ 'aria-label': t('machine.find'), autocomplete: 'off', enterkeyhint: 'go' }"
        @update:value="unknown = false"
      />
      <code-scan :text="t('machine.scan')" :how="t('machine.scanHow')" @read="scanned" />
    </form>
    <p v-if="unknown" class="unknown" role="alert">{{ t('machine.noSuchTag') }}</p>
  </div>
</template>

<style scoped>
.find {
  display: grid;
  grid-template-columns: minmax(0, 460px) auto;
  justify-content: start;
  gap: 12px;
  align-items: center;
}
.unknown {
  color: var(--out);
  font-weight: 600;
}
</style>
