<script setup lang="ts">
import type { Missing } from '@tadka/core/procedure'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useNames } from '../site/names.ts'
import { useSession } from '../rights/session.ts'
import SetupFile from './SetupFile.vue'
import { useSetUp } from './set-up.ts'

/** The set-up at a glance: each part with what it has, what is missing, and the way to it. */
const { t } = useI18n()
const names = useNames()
const session = useSession()
const { counts, missing } = useSetUp()

const parts = {
  machines: { to: '/house/stations?add=1', of: [] },
  where: { to: '/house/trade', of: [] },
  products: { to: '/house/products', of: ['product'] },
  instruments: { to: '/house/instruments', of: ['strip', 'ph', 'tool', 'scale', 'thermometer'] },
  people: { to: '/house/people', of: ['people', 'lead', 'signOffs'] },
  roster: { to: '/shift/roster', of: [] },
} as const satisfies Record<string, { to: string; of: readonly Missing['what'][] }>
type Part = keyof typeof parts

const list = (ids: readonly string[], name: (id: string) => string) => ids.map(name).join(', ')
function tell(m: Missing): string {
  switch (m.what) {
    case 'product':
      return t('setup.missing.product', {
        use: lower(t(`uses.${m.use}`)),
        stations: list(m.stations, names.station),
      })
    case 'strip':
      return t('setup.missing.strip', {
        agent: t(`setup.agent.${m.agent}`),
        products: m.products.join(', '),
      })
    case 'ph':
      return t('setup.missing.ph', { products: m.products.join(', ') })
    case 'signOffs':
      return t('setup.missing.signOffs', { names: list(m.people, names.person) })
    default:
      return t(`setup.missing.${m.what}`)
  }
}
/** Where one thing alone is mended; null where the part's own button does. */
const mend = (m: Missing) => (m.what === 'product' ? `/house/products?for=${m.use}` : null)
const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)
const lacking = (part: Part) =>
  missing.value.filter((m) => (parts[part].of as readonly string[]).includes(m.what))
const rows = computed(() =>
  (Object.keys(parts) as Part[]).map((part) => ({
    part,
    // Areas are entered at the machines; the walks between them on the day's page.
    to: part === 'where' && counts.value.where === 0 ? '/house/stations' : parts[part].to,
    state: t(`setup.state.${part}`, { n: counts.value[part] }, counts.value[part]),
    lacks: lacking(part).map((m) => ({ text: tell(m), to: mend(m) })),
    isEmpty: counts.value[part] === 0,
  })),
)
</script>

<template>
  <section>
    <p class="quiet">{{ t('setup.how') }}</p>
    <ol>
      <li v-for="r in rows" :key="r.part">
        <div>
          <h2>{{ t(`setup.part.${r.part}`) }}</h2>
          <p>
            {{ r.state
            }}<template v-if="r.part === 'machines' && counts.unchecked > 0"
              >, {{ t('setup.state.unchecked', { n: counts.unchecked }, counts.unchecked) }}</template
            >
          </p>
          <ul v-if="r.lacks.length > 0">
            <li v-for="m in r.lacks" :key="m.text">
              {{ m.text }}
              <router-link v-if="m.to && session.mayDo('set-up-house')" :to="m.to" class="mend">{{
                t('setup.go.products')
              }}</router-link>
            </li>
          </ul>
        </div>
        <router-link
          v-if="session.mayDo('set-up-house') && !(r.isEmpty && r.lacks.some((m) => m.to))"
          :to="r.to"
          :class="{ main: r.isEmpty }"
          >{{ t(r.isEmpty || r.part === 'machines' ? `setup.go.${r.part}` : 'setup.go.open') }}</router-link
        >
      </li>
    </ol>
    <p v-if="missing.length === 0 && rows.every((r) => !r.isEmpty)" class="whole">{{ t('setup.whole') }}</p>
    <setup-file v-if="session.mayDo('set-up-house')" />
  </section>
</template>

<style scoped>
ol > li {
  display: grid;
  grid-template-columns: 1fr 220px;
  gap: 40px;
  align-items: center;
  padding: 14px 0;
  border-bottom: 1px solid var(--line);
}
h2 {
  font-size: 21px;
}
ul {
  margin-top: 6px;
  border-left: 4px solid var(--close);
  padding-left: 12px;
}
ul li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 20px;
}
.mend {
  color: var(--sea);
  font-weight: 600;
  line-height: 44px;
  white-space: nowrap;
}
ol > li > a {
  display: grid;
  place-items: center;
  min-height: 56px;
  border: 1.5px solid var(--line);
  border-radius: var(--r);
  background: var(--raised);
  font-weight: 600;
  color: var(--ink);
  text-decoration: none;
}
ol > li > a.main {
  background: var(--sea);
  border-color: var(--sea);
  color: var(--sea-ink);
}
.whole {
  padding: 16px 0;
  font-weight: 600;
}
@media (max-width: 760px) {
  ol > li {
    grid-template-columns: 1fr;
    gap: 8px;
  }
}
</style>
