<script setup lang="ts">
import { NButton, NInput, NSelect } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import NumberField from '../pieces/NumberField.vue'
import { useSite } from '../site/site.ts'
import DraftRow from './DraftRow.vue'
import { mostCounters, sharedThings, within, type TradeDraft } from './trade-draft.ts'

/** Who stays where while the site trades, what there is to share, and which machines may not be down together. */
const draft = defineModel<TradeDraft>({ required: true })
defineProps<{ may: boolean }>()
const { t } = useI18n()
const site = useSite()
const stations = computed(() =>
  site.all('station').flatMap((s) => (s.plate ? [{ label: s.plate.name, value: s.id }] : [])),
)
</script>

<template>
  <h2>{{ t('house.trading.counters') }}</h2>
  <p class="quiet small">{{ t('house.trading.countersHow') }}</p>
  <p v-if="draft.counters.length === 0" class="quiet">{{ t('house.trading.noCounters') }}</p>
  <ul>
    <draft-row
      v-for="(c, i) in draft.counters"
      :key="i"
      :may="may"
      columns="1fr 150px 150px"
      :remove="t('house.trading.removeCounter', { name: c.name })"
      @remove="draft.counters.splice(i, 1)"
    >
      <label
        >{{ t('house.trading.counterName') }}
        <n-input v-model:value="c.name" placeholder="" maxlength="80" :disabled="!may" size="large" />
      </label>
      <label v-for="kind in ['quiet', 'rush'] as const" :key="kind"
        >{{ t(`house.trading.${kind}`) }}
        <number-field v-model="c[kind]" v-bind="within.people" :disabled="!may" />
      </label>
    </draft-row>
  </ul>
  <n-button
    v-if="may && draft.counters.length < mostCounters"
    size="large"
    @click="draft.counters.push({ id: '', name: '', quiet: 1, rush: 1 })"
    >{{ t('house.trading.addCounter') }}</n-button
  >
  <h2>{{ t('house.trading.shared') }}</h2>
  <div class="shared">
    <label v-for="thing in sharedThings" :key="thing"
      >{{ t(`house.trading.thing.${thing}`) }}
      <number-field
        v-model="draft.shared[thing]"
        v-bind="within.shared"
        :empty="t('house.trading.plenty')"
        :disabled="!may"
      />
    </label>
  </div>
  <h2>{{ t('house.trading.keepUp') }}</h2>
  <p class="quiet small">{{ t('house.trading.keepUpHow') }}</p>
  <ul>
    <draft-row
      v-for="(g, i) in draft.keepUp"
      :key="i"
      :may="may"
      columns="1fr 200px"
      :remove="`${t('house.trading.remove')} ${t('house.trading.group')} ${i + 1}`"
      @remove="draft.keepUp.splice(i, 1)"
    >
      <label
        >{{ t('house.trading.groupOf') }}
        <n-select
          v-model:value="g.stations"
          multiple
          filterable
          :options="stations"
          :disabled="!may"
          size="large"
        />
      </label>
      <label
        >{{ t('house.trading.mostDown') }}
        <number-field v-model="g.mostDown" v-bind="within.down" :disabled="!may" />
      </label>
    </draft-row>
  </ul>
  <n-button v-if="may" size="large" @click="draft.keepUp.push({ stations: [], mostDown: 1 })">{{
    t('house.trading.addGroup')
  }}</n-button>
  <label class="last"
    ><h2>{{ t('house.trading.lastOfAll') }}</h2>
    <n-select
      v-model:value="draft.lastOfAll"
      multiple
      filterable
      :options="stations"
      :disabled="!may"
      size="large"
    />
  </label>
</template>

<style scoped>
.shared {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
  gap: 14px;
}
.last {
  display: block;
}
</style>
