<script setup lang="ts">
import { visitsAhead } from '@tadka/core/visit'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSite } from '../site/site.ts'
import { useTimes } from '../site/times.ts'
import { useTasks } from './tasks.ts'

/** What whoever acts is to do today beside machines: theirs, and nobody's. */
const { t } = useI18n()
const { asking, said, today } = useTasks()
const site = useSite()
const { date } = useTimes()
/** So many have room beside an evening. */
const shown = 4
const first = computed(() => asking.value.slice(0, shown))
/** Who comes today from outside, or should have. */
const visits = computed(() => visitsAhead(site.all('visit'), today.value).filter((v) => v.is !== 'ahead'))
const more = computed(() => asking.value.length - first.value.length)
</script>

<template>
  <section>
    <ul>
      <li v-for="o in first" :key="o.id">
        <span
          ><b>{{ o.say }}</b>
          <span class="small" :class="o.is">{{ [o.area, said(o)].filter(Boolean).join(' · ') }}</span></span
        >
        <router-link :to="`/shift/tasks/${o.id}`">{{ t('task.done') }}</router-link>
      </li>
      <li v-for="v in visits" :key="v.id">
        <span
          ><b>{{ v.company }}</b>
          <span class="small" :class="v.is">{{ t(`pest.visit.${v.is}`, { day: date(v.day) }) }}</span></span
        >
        <router-link to="/house/repairs?view=visits">{{ t('pest.visit.open') }}</router-link>
      </li>
      <li v-if="more > 0">
        <router-link to="/shift/tasks">{{ t('task.more', { n: more }) }}</router-link>
      </li>
    </ul>
  </section>
</template>

<style scoped src="../pieces/asked.css" />
<style scoped>
.late {
  color: var(--out);
  font-weight: 600;
}
</style>
