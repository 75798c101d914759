<script setup lang="ts">
import { samplesStand } from '@tadka/core/lab'
import type { AnyDraft } from '@tadka/core/stream'
import { NButton } from 'naive-ui'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import SampleForm from '../lab/SampleForm.vue'
import SampleRow from '../lab/SampleRow.vue'
import { useSession } from '../rights/session.ts'
import { useLocalRules } from '../site/local-rules.ts'
import { useSite } from '../site/site.ts'
import TakeBackNow from '../site/TakeBackNow.vue'

/** Samples that went to a laboratory, what is open first. */
const { t } = useI18n()
const site = useSite()
const session = useSession()
const { rules } = useLocalRules()
const urgency = { open: 0, waits: 1, 'cannot-tell': 2, followed: 3, in: 3 } as const
const samples = computed(() =>
  samplesStand(site.all('sample'), rules.value).toSorted(
    (a, b) => urgency[a.is] - urgency[b.is] || b.taken.at - a.taken.at,
  ),
)
const writing = ref(false)
const made = ref<AnyDraft | null>(null)
</script>

<template>
  <section class="lab">
    <p class="quiet">{{ t('lab.how') }}</p>
    <template v-if="session.mayDo('record')">
      <sample-form
        v-if="writing"
        @made="(draft) => ((made = draft), (writing = false))"
        @cancel="writing = false"
      />
      <n-button v-else type="primary" size="large" class="own" @click="writing = true">{{
        t('lab.new')
      }}</n-button>
    </template>
    <take-back-now v-if="made" :key="made.id" class="own" :draft="made" @back="made = null" />
    <div v-if="samples.length === 0">
      <h2>{{ t('lab.none') }}</h2>
      <p class="quiet">{{ t('lab.noneHow') }}</p>
    </div>
    <ul>
      <sample-row v-for="s in samples" :key="s.id" :sample="s" @made="(draft) => (made = draft)" />
    </ul>
  </section>
</template>

<style scoped>
.lab {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}
.own {
  justify-self: start;
}
</style>
