<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
import { ask } from '../wire/api.ts'
import PapersOf from './PapersOf.vue'
import PersonCard from './PersonCard.vue'

/** Somebody's training: their own, beside their evening; anybody's for whoever signs off. */
const props = defineProps<{ person?: string }>()
const { t } = useI18n()
const session = useSession()
const names = useNames()

const own = computed(() => session.acting?.id ?? '')
/** A card is its owner's, and whoever's who signs off. */
const shown = computed(() =>
  props.person !== undefined && (session.mayDo('sign-off') || props.person === own.value)
    ? props.person
    : own.value,
)
const isOwn = computed(() => shown.value === own.value)
/** Questions that were answered wrong and come back by now; none told where the server does not answer. */
const due = ref(0)
watch(
  own,
  async () => {
    due.value = await ask<{ due: number }>('GET', `/api/sites/${session.site}/training-again`).then(
      (told) => told.due,
      () => 0,
    )
  },
  { immediate: true },
)
const title = computed(() =>
  isOwn.value ? t('training.own') : t('training.of', { name: names.person(shown.value) }),
)
</script>

<template>
  <div v-if="shown">
    <place-bar :title="title">
      <router-link v-if="session.mayDo('sign-off')" to="/house/training" class="link">{{
        t('training.everybody')
      }}</router-link>
      <router-link to="/shift" class="link">‹ {{ t('place.shift') }}</router-link>
    </place-bar>
    <div class="body">
      <router-link v-if="isOwn && due > 0" to="/shift/training/check" class="again">{{
        t('check.beginAgain', { n: due }, due)
      }}</router-link>
      <person-card :key="shown" :person="shown">
        <template #act="{ row }">
          <router-link
            v-if="isOwn && row.left?.check !== false && row.standing.may !== 'alone'"
            :to="`/shift/training/check/${row.procedure.id}`"
            class="link"
            >{{ t('check.begin') }}</router-link
          >
          <router-link v-if="isOwn" :to="`/shift/training/practice/${row.procedure.id}`" class="link">{{
            t('practice.begin')
          }}</router-link>
        </template>
      </person-card>
      <papers-of :key="`papers ${shown}`" :person="shown" />
    </div>
  </div>
</template>

<style scoped>
.body {
  padding: 4px var(--gutter) 32px;
  max-width: 1180px;
  display: grid;
  gap: 28px;
}
.again {
  min-height: 56px;
  display: flex;
  align-items: center;
  padding: 0 18px;
  border: 1.5px solid var(--sea);
  border-radius: var(--r);
  font-weight: 600;
  justify-self: start;
}
</style>
