<script setup lang="ts">
import {
  aboutOf,
  codeSections,
  inForce,
  judgedQuantities,
  modelCode,
  type LocalRule,
} from '@tadka/core/rules'
import { NButton, useMessage } from 'naive-ui'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useSpanWords } from '../pieces/span-words.ts'
import { useTimes } from '../site/times.ts'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { useUnitSystem } from '../site/unit-system.ts'
import { now, rightNow } from '../wire/clock.ts'
import RuleForm from './RuleForm.vue'

/** The model code beside what the site's own authority says: added, or in the place of a section, which stays, struck. */
const { t } = useI18n()
const span = useSpanWords()
const site = useSite()
const { system } = useUnitSystem()
const session = useSession()
const message = useMessage()
const { date } = useTimes()

const rules = computed(() => site.all('rule').filter((r): r is LocalRule => 'authority' in r))
const active = computed(() => rules.value.filter((r) => inForce(r, now())))
const replacing = (section: string) =>
  active.value.find((r) => r.effect.kind === 'replaces' && r.effect.section === section) ?? null
const said = (r: Pick<LocalRule, 'quantity' | 'limit' | 'unit'>) =>
  `${t(r.quantity in judgedQuantities ? `house.rule.about.${r.quantity}` : 'quantity.temperature')} ${span(r.limit, r.unit)}`

function end(rule: LocalRule): void {
  const { id, ...set } = rule
  const quantity = aboutOf(rule) ?? 'product'
  site.record('rule.set@1', { kind: 'rule', id }, { ...set, quantity, until: rightNow() })
  message.success(t('house.rule.ended'))
}
</script>

<template>
  <section>
    <table>
      <thead>
        <tr>
          <th scope="col">{{ modelCode.name }}</th>
          <th scope="col">{{ t('house.rule.section') }}</th>
          <th scope="col">{{ t('house.rule.local') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in codeSections(system)" :key="s.section">
          <td :class="{ struck: replacing(s.section) }">{{ said(s) }}</td>
          <td class="quiet">{{ s.section }}</td>
          <td>
            <template v-if="replacing(s.section)">
              <b>{{ span(replacing(s.section)!.limit, replacing(s.section)!.unit) }}</b>
              <span class="quiet"> {{ replacing(s.section)!.authority }}</span>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
    <h2>{{ t('house.rule.all') }}</h2>
    <ul v-if="rules.length > 0">
      <li v-for="r in rules" :key="r.id">
        <span>
          <b>{{ r.authority }}</b>: {{ said(r) }},
          {{
            r.effect.kind === 'replaces'
              ? t('house.rule.replaces', { section: r.effect.section })
              : t('house.rule.adds')
          }}
          <span class="quiet small">
            {{ t('house.rule.since', { date: date(r.from) })
            }}{{ r.until === null ? '' : `, ${t('house.rule.to', { date: date(r.until) })}` }}.
            {{ r.reason }}
          </span>
          <span v-if="aboutOf(r) === null" class="anew">{{ t('house.rule.anew') }}</span>
        </span>
        <n-button v-if="inForce(r, now()) && session.mayDo('set-up-house')" @click="end(r)">{{
          t('house.rule.end')
        }}</n-button>
      </li>
    </ul>
    <p v-else class="quiet">{{ t('house.rule.none') }}</p>
    <rule-form v-if="session.mayDo('set-up-house')" />
    <p v-else class="quiet small">{{ t('house.mayNot') }}</p>
  </section>
</template>

<style scoped>
table {
  border-collapse: collapse;
  width: 100%;
}
th {
  text-align: left;
  padding: 6px 16px 6px 0;
  border-bottom: 2px solid var(--ink);
}
td {
  padding: 7px 16px 7px 0;
  border-bottom: 1px solid var(--line-soft);
}
.struck {
  text-decoration: line-through;
  color: var(--ink-2);
}
.anew {
  display: block;
  color: var(--out);
  font-weight: 600;
}
h2 {
  margin: 26px 0 8px;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 16px;
  padding: 10px 0;
  border-bottom: 1px solid var(--line-soft);
}
</style>
