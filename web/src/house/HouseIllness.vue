<script setup lang="ts">
import type { IllnessBody, IllnessKept } from '@tadka/contract/illness'
import { isTold, mayWork } from '@tadka/core/illness'
import { NButton } from 'naive-ui'
import { computed, onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRefusalText } from '../rights/refusal-text.ts'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { useTimes } from '../site/times.ts'
import { ask } from '../wire/api.ts'
import { now } from '../wire/clock.ts'
import { newId } from '../wire/device.ts'
import IllnessForm from './IllnessForm.vue'
import IllnessSays from './IllnessSays.vue'

/** Who is ill and may not work with food: seen by managers alone, kept in no log, erased when it is no longer needed. */
const { t } = useI18n()
const session = useSession()
const names = useNames()
const { clock, day } = useTimes()
const refusalText = useRefusalText()

const kept = ref<readonly IllnessKept[] | null>(null)
const open = ref<string | null>(null)
const erasing = ref<string | null>(null)
const refused = ref('')
const busy = ref(false)
const path = computed(() => `/api/sites/${session.site}/illness`)
/** Asks the server; what it refuses is told, and nothing typed is lost. */
async function act(what: () => Promise<unknown>): Promise<boolean> {
  refused.value = ''
  busy.value = true
  try {
    await what()
    kept.value = (await ask<{ illnesses: IllnessKept[] }>('GET', path.value)).illnesses
    return true
  } catch (error) {
    refused.value = refusalText(error)
    return false
  } finally {
    busy.value = false
  }
}
const look = () => act(() => Promise.resolve())
onMounted(look)
const keep = async (id: string, body: IllnessBody) => {
  if (await act(() => ask('POST', `${path.value}/${id}`, body))) open.value = null
}
const erase = (id: string) => act(() => ask('DELETE', `${path.value}/${id}`))
const said = ({ symptoms, diagnosis }: IllnessKept) =>
  [
    ...(diagnosis ? [t(`illness.diagnosis.${diagnosis}`)] : []),
    ...symptoms.map((s) => t(`illness.symptom.${s}`)),
  ].join(', ')
</script>

<template>
  <section class="illnesses">
    <h2>{{ t('illness.title') }}</h2>
    <p class="quiet small">{{ t('illness.how') }}</p>
    <p v-if="refused" class="refused" role="alert">
      {{ refused }} <n-button v-if="kept === null" @click="look">{{ t('illness.again') }}</n-button>
    </p>
    <p v-else-if="kept?.length === 0 && open === null" class="quiet">{{ t('illness.none') }}</p>
    <ul>
      <li v-for="i in kept ?? []" :key="i.id">
        <illness-form
          v-if="open === i.id"
          :kept="i"
          :busy="busy"
          @keep="(body) => keep(i.id, body)"
          @close="open = null"
        />
        <template v-else>
          <p>
            <b>{{ names.person(i.person) }}</b> {{ said(i) }}, {{ t('illness.since', { day: day(i.began) }) }}
          </p>
          <illness-says :says="mayWork(i, now())" />
          <p v-if="isTold(i)" :class="{ must: i.toldAt === null }">
            {{
              i.toldAt === null
                ? t('illness.tellAuthority')
                : t('illness.toldOn', { day: `${day(i.toldAt)} ${clock(i.toldAt)}` })
            }}
          </p>
          <p v-if="i.note" class="quiet">{{ i.note }}</p>
          <div class="acts">
            <n-button size="large" @click="open = i.id">{{ t('house.change') }}</n-button>
            <template v-if="erasing === i.id">
              <n-button size="large" type="error" :disabled="busy" @click="erase(i.id)">{{
                t('illness.eraseNow')
              }}</n-button>
              <n-button size="large" @click="erasing = null">{{ t('common.cancel') }}</n-button>
            </template>
            <n-button v-else size="large" @click="erasing = i.id">{{ t('illness.erase') }}</n-button>
          </div>
        </template>
      </li>
    </ul>
    <illness-form
      v-if="open === 'new'"
      :kept="null"
      :busy="busy"
      @keep="(body) => keep(newId(), body)"
      @close="open = null"
    />
    <n-button v-else-if="kept" size="large" @click="open = 'new'">{{ t('illness.add') }}</n-button>
  </section>
</template>

<style scoped>
.illnesses {
  margin-top: 34px;
  padding-top: 10px;
  border-top: 2px solid var(--line);
  display: grid;
  gap: 10px;
  justify-items: start;
}
h2 {
  font-size: 20px;
}
ul {
  width: 100%;
}
li {
  display: grid;
  gap: 8px;
  padding: 12px 0;
  border-bottom: 1px solid var(--line-soft);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
.must {
  font-weight: 650;
}
.refused {
  color: var(--out);
  font-weight: 600;
}
</style>
