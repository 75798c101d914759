<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import { useSession } from '../rights/session.ts'
import { useNames } from '../site/names.ts'
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
const title = computed(() =>
  shown.value === own.value ? t('training.own') : t('training.of', { name: names.person(shown.value) }),
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
      <person-card :key="shown" :person="shown" />
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
.link {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
</style>
