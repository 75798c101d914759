<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useChemicalStore } from './chemical-store.ts'

/** What of the chemical store cannot wait: the wrong product in a dispenser, what is a danger where it stands. */
const { t } = useI18n()
const { told } = useChemicalStore()
const isNear = computed(() => told.value.tooNear.some((n) => n.danger))
</script>

<template>
  <section>
    <ul>
      <li v-if="told.wrong.length > 0">
        <b class="danger">{{ t('shelf.askedSlot') }}</b>
        <router-link to="/house/store">{{ t('shelf.see') }}</router-link>
      </li>
      <li v-if="isNear">
        <b class="danger">{{ t('shelf.asked') }}</b>
        <router-link to="/house/store">{{ t('shelf.see') }}</router-link>
      </li>
    </ul>
  </section>
</template>

<style scoped src="../pieces/asked.css" />
<style scoped>
.danger {
  color: var(--out);
}
</style>
