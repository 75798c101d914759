<script setup lang="ts">
import { computed, onMounted } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSession } from '../rights/session.ts'
import { useTimes } from '../site/times.ts'
import { useReviews } from './reviews.ts'

/** Days that have waited too long to be looked through, for who may: nothing else, and nothing for anybody else. */
const { t } = useI18n()
const session = useSession()
const reviews = useReviews()
const { date } = useTimes()
onMounted(reviews.load)
const late = computed(() =>
  session.mayDo('review-day')
    ? reviews.days.filter((d) => d.isLate && d.signedBy !== session.acting?.id).toReversed()
    : [],
)
</script>

<template>
  <section v-if="late.length > 0" class="waiting">
    <h2 class="label">{{ t('log.review.waiting', { n: late.length }, late.length) }}</h2>
    <p>
      <router-link v-for="d in late" :key="d.day" :to="`/log?day=${d.day}`">{{ date(d.day) }}</router-link>
    </p>
  </section>
</template>

<style scoped>
.waiting {
  border-left: 5px solid var(--close);
  padding: 4px 12px;
  margin: 8px 0;
}
p {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}
a {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
</style>
