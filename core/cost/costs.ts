/** What cleaning a station took in a span, as the log has it. */
export interface Spent {
  /** Null: what was for no one machine. */
  readonly station: string | null
  readonly cleanings: number
  /** Worked by hand, waits left out. */
  readonly minutes: number
  /** mL, grams or pieces of each product. */
  readonly chemicals: readonly {
    readonly product: string
    readonly amount: number
    readonly unit: 'mL' | 'g' | 'pieces'
  }[]
  /** Litres of solutions and of tanks that were changed. */
  readonly water: number
  /** Spares built in, and parts that others brought with their own price. */
  readonly parts: readonly {
    readonly spare: string | null
    readonly count: number
    /** Of all of them; null where nobody has said. */
    readonly price: number | null
  }[]
  /** What repairs cost beside parts; null where nobody has said. Those paid by warranty are left out. */
  readonly labour: readonly (number | null)[]
  readonly hoursDown: number
}

/** What things cost, in the site's own money; null or left out where nobody has said. */
export interface Prices {
  /** Of an hour's work. */
  readonly hour: number | null
  /** Of 1000 litres of water, and of taking it away. */
  readonly water: number | null
  /** Of one mL, gram or piece, by product and unit, as `priceKey` has it. */
  readonly chemicals: Readonly<Record<string, number>>
  /** Of one, by spare. */
  readonly spares: Readonly<Record<string, number>>
}

export const priceKey = (product: string, unit: Spent['chemicals'][number]['unit']): string =>
  `${product} ${unit}`

/** A sum in the site's own money; `unpriced`: so many things in it have no price, and it is more than that. */
export interface Money {
  readonly sum: number
  readonly unpriced: number
}

export interface StationCost {
  readonly spent: Spent
  readonly work: Money
  readonly chemicals: Money
  readonly water: Money
  readonly parts: Money
  readonly repairs: Money
  readonly total: Money
}

const money = (of: readonly (number | null)[]): Money => ({
  sum: of.reduce<number>((sum, m) => sum + (m ?? 0), 0),
  unpriced: of.filter((m) => m === null).length,
})
const together = (of: readonly Money[]): Money => ({
  sum: of.reduce((sum, m) => sum + m.sum, 0),
  unpriced: of.reduce((n, m) => n + m.unpriced, 0),
})
const times = (amount: number, price: number | null | undefined): readonly (number | null)[] =>
  amount === 0 ? [] : [price === null || price === undefined ? null : amount * price]

/** What cleaning each station cost: minutes, chemicals, water, parts, repairs. What has no price is counted, never left out in silence. */
export function costsOf(spent: readonly Spent[], prices: Prices): StationCost[] {
  return spent
    .map((s): StationCost => {
      const work = money(times(s.minutes / 60, prices.hour))
      const chemicals = money(
        s.chemicals.flatMap((c) => times(c.amount, prices.chemicals[priceKey(c.product, c.unit)])),
      )
      const water = money(times(s.water / 1000, prices.water))
      const parts = money(
        s.parts.flatMap(({ spare, count, price }) =>
          price !== null ? [price] : times(count, spare === null ? null : prices.spares[spare]),
        ),
      )
      const repairs = money(s.labour)
      const total = together([work, chemicals, water, parts, repairs])
      return { spent: s, work, chemicals, water, parts, repairs, total }
    })
    .toSorted((a, b) => b.total.sum - a.total.sum || b.spent.minutes - a.spent.minutes)
}
