<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import GapsAhead from '../training/GapsAhead.vue'
import PapersEnding from '../training/PapersEnding.vue'
import { useStandings } from '../training/standings.ts'
import TrainingRuleForm from './TrainingRuleForm.vue'

/** Who may do what alone, where too few may, and what is asked before that. */
const { t } = useI18n()
const session = useSession()
const standings = useStandings()
const may = computed(() => session.mayDo('sign-off'))
const people = computed(() =>
  session.everyone.map((p) => ({
    id: p.id,
    name: p.name,
    of: standings.taught.value.length,
    alone: standings.forPlan(p.id).signedOff.length,
  })),
)
</script>

<template>
  <div v-if="may" class="training">
    <gaps-ahead />
    <papers-ending />
    <section>
      <h2>{{ t('training.people') }}</h2>
      <ul>
        <li v-for="p in people" :key="p.id">
          <router-link :to="`/house/card/${p.id}`">
            <b>{{ p.name }}</b>
            <span class="quiet">{{ t('training.progress', { alone: p.alone, of: p.of }) }}</span>
          </router-link>
        </li>
      </ul>
    </section>
    <training-rule-form />
  </div>
  <p v-else class="quiet">
    {{ t('training.leadsSee') }}
    <router-link to="/shift/training">{{ t('training.own') }}</router-link>
  </p>
</template>

<style scoped>
.training {
  display: grid;
  gap: 30px;
}
li a {
  min-height: 56px;
  display: flex;
  gap: 18px;
  align-items: center;
  border-bottom: 1px solid var(--line-soft);
  color: inherit;
  text-decoration: none;
}
li b {
  min-width: 180px;
  text-decoration: underline;
}
</style>
