<script setup lang="ts">
import type { NodeKey, Procedure } from '@tadka/core/procedure'
import { NButton, NSelect, useMessage } from 'naive-ui'
import { computed, nextTick, provide, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import PlaceBar from '../frame/PlaceBar.vue'
import { saveJson } from '../pieces/save-file.ts'
import { useSession } from '../rights/session.ts'
import { useTimes } from '../site/times.ts'
import CompareView from './CompareView.vue'
import { useProcedureDraft } from './draft.ts'
import { editing, mayEdit } from './editing.ts'
import { useFaultWords } from './fault-words.ts'
import { nodeKinds } from './fields.ts'
import HeadForm from './HeadForm.vue'
import { useNodeActs } from './node-acts.ts'
import NodeForm from './NodeForm.vue'
import NodeTree from './NodeTree.vue'
import PutInForce from './PutInForce.vue'
import TryView from './TryView.vue'
import VersionList from './VersionList.vue'

/** A procedure as it runs, step by step, to be changed, tried, compared and put in force. */
const props = defineProps<{ procedure: string }>()
const { t } = useI18n()
const router = useRouter()
const message = useMessage()
const session = useSession()
const { date } = useTimes()
const draft = useProcedureDraft(() => props.procedure)
const tell = useFaultWords()
const may = computed(() => session.mayDo('set-procedures'))
const { document } = draft
provide(editing, document)
provide(mayEdit, may)

const views = ['steps', 'whole', 'compare', 'try'] as const
const view = ref<(typeof views)[number]>('steps')
const { chosen, node, beside, step, move, remove, change, add, copy } = useNodeActs(document, draft.set)

/** What is wrong, each once at its step, however many choices of the options it is wrong for. */
const told = computed(() => {
  const p = document.value
  const all = p ? draft.faults.value.map((f) => tell(p, f)) : []
  return [...new Map(all.map((f) => [`${f.at} ${f.field} ${f.says}`, f])).values()]
})
const byKey = computed(() => {
  const found = new Map<NodeKey, string[]>()
  for (const f of told.value)
    if (f.at !== null) found.set(f.at, [...new Set([...(found.get(f.at) ?? []), f.says])])
  return found
})
const ofChosen = computed(() => told.value.filter((f) => f.at === chosen.value))
const ofAll = computed(() => [
  ...new Map(told.value.filter((f) => f.at === null).map((f) => [f.says, f])).values(),
])
const count = computed(() => byKey.value.size + ofAll.value.length + draft.short.value.length)

const kinds = computed(() => nodeKinds.map((value) => ({ value, label: t(`editor.kind.${value}`) })))

const against = computed(() => [
  ...(draft.inForce.value ? [{ name: t('editor.compare.inForce'), procedure: draft.inForce.value }] : []),
  ...(draft.library.value && draft.library.value !== draft.inForce.value
    ? [
        {
          name: t('editor.compare.library', { n: draft.library.value.version }),
          procedure: draft.library.value,
        },
      ]
    : []),
])
const form = ref<HTMLElement | null>(null)
/** On a phone the form stands beneath the list. */
async function choose(key: NodeKey): Promise<void> {
  chosen.value = key
  await nextTick()
  if (window.matchMedia('(max-width: 760px)').matches) form.value?.scrollIntoView()
}
/** What is to be put in force: the draft, or what is gone back to. */
const putting = ref<'draft' | { version: number | null; procedure: Procedure; name: string } | null>(null)
function put(from: string): void {
  if (putting.value === 'draft') draft.putInForce(from)
  else if (putting.value) draft.goBack(putting.value.version, from)
  putting.value = null
  message.success(t('editor.put.done', { day: date(from) }))
}
</script>

<template>
  <div v-if="document" class="editor">
    <place-bar :title="document.name" :under="t(`house.family.${document.family.split('.')[0]}`)">
      <router-link to="/house/procedures" class="back">‹ {{ t('editor.toAll') }}</router-link>
    </place-bar>
    <div class="tools">
      <nav :aria-label="document.name">
        <button
          v-for="v in views"
          :key="v"
          type="button"
          :aria-current="view === v ? 'page' : undefined"
          @click="view = v"
        >
          {{ t(`editor.view.${v}`) }}
        </button>
      </nav>
      <template v-if="may">
        <n-button :disabled="!draft.canUndo.value" @click="draft.undo">{{ t('editor.undo') }}</n-button>
        <n-button :disabled="!draft.canRedo.value" @click="draft.redo">{{ t('editor.redo') }}</n-button>
        <n-button
          type="primary"
          :disabled="!draft.isChanged.value || count > 0 || draft.checking.value"
          @click="putting = 'draft'"
          >{{ t('editor.put.act') }}</n-button
        >
      </template>
    </div>
    <p class="status" role="status">
      <template v-if="draft.checking.value">{{ t('editor.checking') }}</template>
      <b v-else-if="count > 0" class="bad">{{ t('editor.faults', { n: count }, count) }}</b>
      <template v-else-if="!draft.isChanged.value && draft.coming.value[0]">{{
        t(draft.inForce.value ? 'editor.comes' : 'editor.comesFirst', {
          day: date(draft.coming.value[0].from),
        })
      }}</template>
      <template v-else-if="!draft.isChanged.value">{{ t('editor.asInForce') }}</template>
      <template v-else>{{ t('editor.safe') }}</template>
      <n-button v-if="draft.isDraft.value && may" quaternary size="small" @click="draft.drop">{{
        t('editor.drop')
      }}</n-button>
    </p>
    <ul v-if="ofAll.length + draft.short.value.length > 0" class="all" role="alert">
      <li v-for="f in ofAll" :key="f.says">
        <b>{{ f.says }}.</b> {{ f.mend }}
      </li>
      <li v-for="s in draft.short.value" :key="s">{{ s }}</li>
    </ul>
    <div v-if="view === 'steps'" class="steps">
      <div class="list">
        <n-select
          v-if="may"
          class="add"
          :value="null"
          :options="kinds"
          :placeholder="t('editor.addAfter')"
          :aria-label="t('editor.addAfter')"
          :virtual-scroll="false"
          @update:value="add"
        />
        <node-tree
          :nodes="document.nodes"
          at=""
          :chosen="chosen"
          :faults="byKey"
          :may="may"
          @choose="choose"
          @move="move"
        />
      </div>
      <div ref="form" class="form">
        <fieldset v-if="node" :key="chosen ?? ''" :disabled="!may">
          <node-form
            :node="node"
            :nodes="document.nodes"
            :faults="ofChosen"
            :can-up="beside(-1) !== null"
            :can-down="beside(1) !== null"
            @change="change"
            @up="step(-1)"
            @down="step(1)"
            @copy="copy"
            @remove="remove"
          />
        </fieldset>
        <p v-else class="quiet">{{ t('editor.chooseStep') }}</p>
      </div>
    </div>
    <div v-else class="page">
      <template v-if="view === 'whole'">
        <fieldset :disabled="!may">
          <head-form :procedure="document" @change="draft.set" />
        </fieldset>
        <version-list
          :own="draft.own.value"
          :library="draft.library.value"
          :in-force="draft.inForce.value"
          :coming="draft.coming.value"
          :may="may"
          @draft="draft.set"
          @back="(version, procedure, name) => (putting = { version, procedure, name })"
        />
        <div class="files">
          <n-button @click="saveJson(document, `${document.id}.json`)">{{ t('chart.file') }}</n-button>
          <n-button @click="router.push(`/chart/${document.id}`)">{{ t('editor.chart') }}</n-button>
        </div>
      </template>
      <compare-view v-else-if="view === 'compare'" :procedure="document" :against="against" />
      <try-view v-else :procedure="document" />
    </div>
    <put-in-force
      v-if="putting"
      :procedure="putting === 'draft' ? document : putting.procedure"
      :title="t('editor.put.title')"
      :says="
        putting === 'draft'
          ? t('editor.put.says', { name: document.name })
          : t('editor.put.back', { name: putting.name })
      "
      :act="t('editor.put.do')"
      @put="put"
      @close="putting = null"
    />
  </div>
  <div v-else class="page">
    <p>{{ t('run.unknownProcedure') }}</p>
  </div>
</template>

<style scoped src="./editor.css"></style>
