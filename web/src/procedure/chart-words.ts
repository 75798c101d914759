import { millilitres, showTemperature } from '@tadka/core/quantity'
import { crosswise, numberOf, type Parameter, type Step } from '@tadka/core/procedure'
import { measureFor } from '@tadka/core/solution'
import { Refusal } from '@tadka/core/refusal'
import { useI18n } from 'vue-i18n'
import { useKit } from '../site/kit.ts'
import { useReadOff } from '../site/read-off.ts'
import { useUnits } from '../site/units.ts'
import { useWays } from '../solution/measured.ts'

/** What a step of a wall chart says beneath its title: the pour, the tray, what is lubricated and what stays dry. */
export function useChartWords(parameters: () => Readonly<Record<string, number>>) {
  const { t } = useI18n()
  const units = useUnits()
  const kit = useKit()
  const waysOf = useWays()
  const readOff = useReadOff()
  const known = (p: Parameter) => typeof p === 'number' || p.of in parameters()

  function pour(step: Step & { kind: 'mix' }): string {
    const found = kit.forUse(step.use)
    if (found.length === 0) return t('run.noProduct')
    return found.map((f) => pourOf(step, f)).join(` ${t('common.or')} `)
  }

  function pourOf(step: Step & { kind: 'mix' }, found: ReturnType<typeof kit.forUse>[number]): string {
    if (!known(step.volume)) return found.product.name
    const total = millilitres(numberOf(step.volume, parameters()))
    try {
      const way = waysOf(
        measureFor(found.product.supply, found.use, total, kit.measuring(found.product.id)),
        known(step.capacity) ? numberOf(step.capacity, parameters()) : null,
      )[0]
      const amount = way ? `${way.figure} ${way.unit} ` : ''
      return `${amount}${found.product.name}, ${units.volume(total)}, ${warmth(step.water)}`
    } catch (error) {
      if (error instanceof Refusal) return `${found.product.name}: ${error.message}`
      throw error
    }
  }

  /** What the water may be, in the site's unit. */
  function warmth({ lo, hi }: { readonly lo: number; readonly hi: number }): string {
    const [least, most] = [lo, hi].map((c) => showTemperature(c, units.system.value))
    return `${least?.value}–${most?.value} ${most?.unit}`
  }

  function detail(step: Step): string {
    switch (step.kind) {
      case 'mix':
        return pour(step)
      case 'parts':
        return step.parts
          .map((p) => (p.of !== undefined ? `${p.name} ×__` : p.count > 1 ? `${p.name} ×${p.count}` : p.name))
          .join(', ')
      case 'lubricate':
        return [
          step.yes.map((y) => `${y.part}: ${t(`run.amount.${y.amount}`)}`).join('; '),
          step.never.length > 0 ? `${t('run.lubricateNever')}: ${step.never.join(', ')}` : '',
        ].join('. ')
      case 'fasten': {
        const order =
          step.how === 'crosswise'
            ? `: ${crosswise(step.count)
                .map((n) => n + 1)
                .join(' – ')}`
            : ''
        return `${t(`run.fasten.${step.how}`)}${order}. ${step.why}`
      }
      case 'read':
        return [`${step.what}: ____ ${readOff.typed(step).unit}`.trim(), readOff.limits(step, parameters())]
          .filter(Boolean)
          .join('. ')
      case 'inspect':
        return step.choices.map((c) => c.name).join(' / ')
      case 'tend':
        return known(step.every)
          ? t('chart.tend', { every: numberOf(step.every, parameters()), duty: step.duty, late: step.late })
          : step.duty
      case 'gate':
        return step.hazardous ? t('chart.hold') : ''
      default:
        return ''
    }
  }
  return { detail }
}
