<script setup lang="ts">
import { inspectionDays } from '@tadka/contract/people'
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import TextField from '../pieces/TextField.vue'
import { useSession } from '../rights/session.ts'
import { useSiteStore } from '../site/site.ts'
import { ask } from '../wire/api.ts'
import { useAsking } from '../wire/asking.ts'

/** This tablet in the inspector's hands: read only, for the days chosen, until somebody of the site gives a PIN. */
const props = defineProps<{
  /** The first day that it shows at least, and today, ISO dates. */
  from: string
  today: string
}>()
const { t } = useI18n()
const session = useSession()
const site = useSiteStore()
const router = useRouter()
const { busy, wrong, tryTo } = useAsking()
const open = ref(false)
const name = ref('')
/** As long as a visit; it ends before by a PIN. */
const hours = 2

async function handOver(): Promise<void> {
  const back = (Date.parse(props.today) - Date.parse(props.from)) / 86_400_000 + 1
  const shown = inspectionDays.find((n) => n >= back) ?? inspectionDays.at(-1)
  await tryTo(async () => {
    const sent = { name: name.value.trim(), days: shown, hours }
    const { path } = await ask<{ path: string }>('POST', `/api/sites/${session.site}/inspections`, sent)
    for (const { id } of session.people) await session.signOut(id)
    await router.push(path)
  })
}
</script>

<template>
  <section class="hand-over">
    <h2>{{ t('inspect.here') }}</h2>
    <p class="quiet">{{ t('inspect.hereHow') }}</p>
    <n-button v-if="!open" class="go" :disabled="site.unsent > 0" @click="open = true">{{
      t('inspect.handOver')
    }}</n-button>
    <form v-else @submit.prevent="handOver">
      <text-field v-model="name" :name="t('inspect.who')" :example="t('inspect.example')" />
      <n-button
        type="primary"
        class="go"
        attr-type="submit"
        :loading="busy"
        :disabled="name.trim().length < 2 || site.unsent > 0"
        >{{ t('inspect.handOver') }}</n-button
      >
    </form>
    <p v-if="wrong" class="fault" role="alert">{{ wrong }}</p>
  </section>
</template>

<style scoped>
.hand-over {
  border-top: 1px solid var(--line);
  padding-top: 14px;
  display: grid;
  gap: 10px;
  justify-items: start;
}
h2 {
  font-size: 20px;
}
form {
  display: flex;
  gap: 14px;
  flex-wrap: wrap;
  align-items: end;
}
.go {
  min-height: 52px;
}
.fault {
  color: var(--out);
  font-weight: 600;
}
</style>
