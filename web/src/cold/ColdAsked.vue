<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { useColdStores } from './cold.ts'
import { useFood } from './food.ts'

/** The way to cold food, and what it asks for now: fridges to be read, food to be read again or thrown out. */
const { t } = useI18n()
const { rows, asking } = useColdStores()
const food = useFood()
</script>

<template>
  <section>
    <ul>
      <li v-for="r in rows.filter((x) => x.openCase)" :key="r.station.id">
        <span
          ><b>{{ r.name }}</b> <span class="small out">{{ t('cold.isWarm') }}</span></span
        >
        <router-link :to="{ path: '/shift/cold/fridges', query: { station: r.station.id } }">{{
          t('cold.see')
        }}</router-link>
      </li>
      <li v-if="asking.length > 0">
        <span
          ><b>{{ t('cold.toRead', asking.length) }}</b>
          <span v-if="asking.some((r) => r.due?.is === 'late')" class="small out">{{
            t('cold.someLate')
          }}</span></span
        >
        <router-link to="/shift/cold/fridges">{{ t('cold.read') }}</router-link>
      </li>
      <li v-for="f in food.asking.value" :key="f.food.id">
        <span
          ><b>{{ f.food.name }}</b>
          <span class="small">{{ t(f.stands.is === 'cool' ? 'cold.readSoon' : 'cold.throwOut') }}</span></span
        >
        <router-link :to="`/shift/cold/${f.food.opened ? 'opened' : 'delivery'}`">{{
          t('cold.see')
        }}</router-link>
      </li>
    </ul>
  </section>
</template>

<style scoped src="../pieces/asked.css" />
<style scoped>
.out {
  color: var(--out);
  font-weight: 600;
}
</style>
