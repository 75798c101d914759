<script setup lang="ts">
import { isStep, type Node } from '@tadka/core/procedure'
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import LeaveField from './LeaveField.vue'
import FieldRow from './FieldRow.vue'
import type { ToldFault } from './fault-words.ts'
import FindingsField from './FindingsField.vue'
import { fieldsFor } from './fields.ts'

/** One step or group with all that is entered of it, what is wrong with it, and where it goes. */
const props = defineProps<{
  node: Node
  nodes: readonly Node[]
  faults: readonly ToldFault[]
  canUp: boolean
  canDown: boolean
}>()
const emit = defineEmits<{
  /** @param field that was changed. */
  change: [node: Node, field: string]
  up: []
  down: []
  copy: []
  remove: []
}>()
const { t } = useI18n()

const fields = computed(() => fieldsFor(props.node.kind).filter((f) => isAsked(f.name)))
/** A product is asked for where sanitizer is checked; all others are checked by the machine. */
const isAsked = (name: string) =>
  !(props.node.kind === 'check' && name === 'use' && props.node.what !== 'sanitizer')
const valueOf = (name: string) => (props.node as unknown as Readonly<Record<string, unknown>>)[name]
function change(name: string, to: unknown): void {
  const { [name]: _, ...rest } = props.node as unknown as Record<string, unknown>
  const next = { ...rest, ...(to === undefined ? {} : { [name]: to }) }
  if (props.node.kind === 'check' && name === 'what') {
    if (to === 'sanitizer') next['use'] = 'frozen-dessert'
    else delete next['use']
  }
  emit('change', next as unknown as Node, name)
}
const findings = (to: object) => {
  if (props.node.kind !== 'branch') return
  const { chose: _, ...rest } = props.node
  emit('change', { ...rest, ...to } as Node, 'on')
}
const ofNode = computed(() => props.faults.filter((f) => f.field === null))
const faultOf = (name: string) => props.faults.find((f) => f.field === name)?.says
</script>

<template>
  <form class="node" @submit.prevent>
    <header>
      <h2>{{ t(`editor.kind.${node.kind}`) }}</h2>
      <div class="acts">
        <n-button :disabled="!canUp" @click="emit('up')">{{ t('editor.up') }}</n-button>
        <n-button :disabled="!canDown" @click="emit('down')">{{ t('editor.down') }}</n-button>
        <n-button @click="emit('copy')">{{ t('editor.copy') }}</n-button>
        <n-button @click="emit('remove')">{{ t('editor.remove') }}</n-button>
      </div>
    </header>
    <p class="quiet small">{{ t(`editor.kindHow.${node.kind}`) }}</p>
    <div v-for="f in ofNode" :key="f.says" class="broken" role="alert">
      <b>{{ f.says }}.</b> {{ f.mend }}
    </div>
    <template v-for="f in fields" :key="f.name">
      <div v-if="f.is === 'findings' && node.kind === 'branch'" class="field">
        <span class="name">{{ t('editor.field.branch.on') }}</span>
        <findings-field
          :label="t('editor.field.branch.on')"
          :model-value="node"
          :nodes="nodes"
          @update:model-value="findings"
        />
        <span v-if="faultOf('on') ?? faultOf('is')" class="fault">{{ faultOf('on') ?? faultOf('is') }}</span>
      </div>
      <div v-else-if="f.is === 'leave' && node.kind === 'parts'" class="field">
        <span class="name">{{ t('editor.field.any.leave') }}</span>
        <leave-field
          :label="t('editor.field.any.leave')"
          :parts="node.parts"
          :model-value="node.leave"
          @update:model-value="(to) => change('leave', to)"
        />
        <span v-if="faultOf('leave')" class="fault">{{ faultOf('leave') }}</span>
      </div>
      <field-row
        v-else
        :spec="f"
        :kind="node.kind"
        :model-value="valueOf(f.name)"
        v-bind="node.kind === 'read' ? { own: node.unit } : {}"
        :fault="faultOf(f.name)"
        @update:model-value="(to) => change(f.name, to)"
      />
    </template>
    <p v-if="!isStep(node)" class="quiet small">{{ t('editor.groupHow') }}</p>
  </form>
</template>

<style scoped>
.node {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
  gap: 14px 18px;
  align-items: start;
  padding-bottom: 40px;
}
.node > :not(.short) {
  grid-column: 1 / -1;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  justify-content: space-between;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.broken {
  border-left: 5px solid var(--out);
  background: var(--out-wash);
  padding: 10px 14px;
}
.name {
  display: block;
  font-weight: 600;
  color: var(--ink-2);
}
.fault {
  color: var(--out);
  font-weight: 600;
}
</style>
