<script setup lang="ts">
import { NButton } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import PlaceBar from '../frame/PlaceBar.vue'
import QrCode from '../pieces/QrCode.vue'
import { useSite } from '../site/site.ts'
import { tagAddress } from '../site/tag-code.ts'

/** Tags to print, cut and stick on: the number large, the name, the area, and a code that opens the machine. */
const { t } = useI18n()
const site = useSite()
const tags = computed(() =>
  site
    .all('station')
    .flatMap((s) => (s.plate ? [{ id: s.id, ...s.plate }] : []))
    .toSorted((a, b) => a.tag.localeCompare(b.tag, undefined, { numeric: true })),
)
const address = (id: string) => tagAddress(window.location.origin, id)
const print = () => window.print()
</script>

<template>
  <div>
    <place-bar :title="t('machine.tags')" class="head">
      <router-link to="/house/stations" class="back">‹ {{ t('house.stations') }}</router-link>
      <n-button type="primary" size="large" @click="print">{{ t('machine.print') }}</n-button>
    </place-bar>
    <p class="how quiet">{{ t('machine.tagsHow') }}</p>
    <ul>
      <li v-for="s in tags" :key="s.id">
        <div>
          <span class="number">{{ s.tag }}</span>
          <b>{{ s.name }}</b>
          <span>{{ s.place }}</span>
        </div>
        <qr-code :text="address(s.id)" :label="t('machine.code', { name: s.name })" :size="132" />
      </li>
    </ul>
  </div>
</template>

<style scoped>
.back {
  min-height: 48px;
  display: inline-flex;
  align-items: center;
  font-weight: 600;
}
.how {
  padding: 0 var(--gutter) 12px;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 12px;
  padding: 0 var(--gutter) 32px;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 12px 14px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: #fff;
  color: #1c2326;
  break-inside: avoid;
}
li > div {
  display: grid;
}
.number {
  font-size: 52px;
  font-weight: 700;
  line-height: 1;
}
@media print {
  .head,
  .how {
    display: none;
  }
  ul {
    grid-template-columns: repeat(2, 88mm);
    gap: 4mm;
    padding: 0;
  }
}
</style>
