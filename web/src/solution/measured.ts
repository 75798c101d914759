import { decimals, showVolume } from '@tadka/core/quantity'
import type { BathMixed } from '@tadka/core/bath'
import type { Delivered, MeasuringTool, Measured, PieceDose, Pour, Weighed } from '@tadka/core/solution'
import { useI18n } from 'vue-i18n'
import { useUnitSystem } from '../site/unit-system.ts'
import { onTool } from '../pieces/jug.ts'

/** One way to measure a mix out, as it is shown: the figure, what it makes, and what goes in the log. */
export interface Way {
  readonly label: string
  readonly figure: string
  readonly unit: string
  readonly note: string
  readonly bad: boolean
  readonly jug: { readonly tool: MeasuringTool; readonly pour: number } | null
  /** mL of solution that it makes, where that is another than asked for. */
  readonly total: number | null
  readonly kept: Pick<BathMixed, 'poured' | 'tool' | 'measured'>
}

/** The ways to measure a mix out on what the site has, the best first. */
export function useWays() {
  const { t } = useI18n()
  const { system } = useUnitSystem()
  const volume = (mL: number) => {
    const shown = showVolume(mL, system.value)
    return `${shown.value} ${shown.unit}`
  }
  const range = (i: { lo: number | null; hi: number | null } | null) =>
    i ? t('bench.makes', { lo: Math.round(i.lo ?? 0), hi: Math.round(i.hi ?? 0) }) : ''

  const poured = (p: Pour): Way => {
    const fillings = Math.ceil(p.shown / p.tool.capacity)
    const times = fillings > 1 ? `${t('run.fillings', { n: fillings, tool: p.tool.name })}. ` : ''
    return {
      label: p.tool.name,
      ...onTool(p.shown, p.tool),
      note: p.holds === false ? t('bench.coarse') : times + range(p.strength),
      bad: p.holds === false,
      jug: { tool: p.tool, pour: p.shown },
      total: null,
      kept: { poured: p.shown, tool: p.tool.name },
    }
  }
  const delivered = (d: Delivered): Way => ({
    label: d.dispenser.name,
    figure: decimals(d.count, 1),
    unit: t(d.dispenser.by === 'stroke' ? 'bench.strokes' : 'bench.seconds'),
    note:
      d.holds === false
        ? t('bench.coarse')
        : d.strength === null
          ? ''
          : range({ lo: d.strength, hi: d.strength }),
    bad: d.holds === false,
    jug: null,
    total: null,
    kept: {
      poured: d.count * d.dispenser.millilitres,
      tool: d.dispenser.name,
      measured: { amount: d.count, unit: d.dispenser.by === 'stroke' ? 'strokes' : 's' },
    },
  })
  const weighed = (w: Weighed): Way => ({
    label: w.scale?.name ?? t('bench.noScale'),
    figure: decimals(w.shown, w.scale && w.scale.graduation >= 1 ? 0 : 1),
    unit: 'g',
    note:
      w.scale === null ? t('bench.noScaleHow') : w.holds === false ? t('bench.coarse') : range(w.strength),
    bad: w.holds === false,
    jug: null,
    total: null,
    kept: { poured: 0, tool: w.scale?.name ?? '', measured: { amount: w.shown, unit: 'g' } },
  })
  const counted = (d: PieceDose, asked: boolean, holds: boolean | null): Way => ({
    label: t(asked ? 'bench.asAsked' : 'bench.waterFits', { volume: volume(d.water) }),
    figure: decimals(d.pieces, 1),
    unit: t('bench.pieces'),
    note:
      holds === false
        ? t('bench.piecesOut', { ppm: Math.round(d.strength) })
        : t('bench.piecesMake', { ppm: Math.round(d.strength) }),
    bad: holds === false,
    jug: null,
    total: d.water,
    kept: { poured: 0, tool: t('bench.pieces'), measured: { amount: d.pieces, unit: 'pieces' } },
  })

  /** @param holds mL that the vessel holds, null where nobody knows: what would not go in is no way. */
  return (m: Measured, holds: number | null): Way[] =>
    waysOf(m).filter((w) => w.total === null || holds === null || w.total <= holds)

  function waysOf(m: Measured): Way[] {
    if (m.kind === 'pour') return [...m.mix.pours.map(poured), ...m.delivered.map(delivered)]
    if (m.kind === 'weigh') return m.weighed.map(weighed)
    const [inVolume, exact] = [
      counted(m.choice.inVolume, true, m.holds),
      counted(m.choice.exact, false, true),
    ]
    return m.holds === false ? [exact, inVolume] : [inVolume, exact]
  }
}
