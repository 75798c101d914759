<script setup lang="ts">
import VisitList from '../visit/VisitList.vue'

/** Everybody who comes from outside: technicians, pest control, others. */
</script>

<template>
  <visit-list />
</template>
