const letters = [...'ABCDEFGHIJKLMNOPQRSTUVWXYZ']
/** Codes that browsers still name, and that are no country today, or none with cafés of its own food law. */
const gone = new Set(
  'AC AN AQ BU BV CP CQ CS DD DG DY EA EU EZ FX HM HV IC NH NT PU QO QU RH SU TA TP UK UN VD WK XA XB YD YU ZR ZZ'.split(
    ' ',
  ),
)

export interface Country {
  readonly value: string
  readonly label: string
}

/** Every country by its name in a language, in that language's order. */
export function countriesIn(language: string): Country[] {
  const names = new Intl.DisplayNames([language], { type: 'region', fallback: 'none' })
  return letters
    .flatMap((a) => letters.map((b) => a + b))
    .flatMap((value) => {
      const label = gone.has(value) ? undefined : names.of(value)
      return label === undefined ? [] : [{ value, label }]
    })
    .toSorted((a, b) => a.label.localeCompare(b.label, language))
}

/** The country that a browser's language tells, such as IE of en-IE; null where it tells none. */
export const countryOfLanguage = (language: string): string | null => {
  try {
    return new Intl.Locale(language).region ?? null
  } catch {
    return null
  }
}

type WithWeek = Intl.Locale & {
  readonly weekInfo?: { readonly firstDay: number }
  readonly getWeekInfo?: () => { readonly firstDay: number }
}

/** The weekdays of a country's calendar in its order, 1 being Monday. */
export function weekOf(country: string | null): number[] {
  const locale = (country ? new Intl.Locale(`en-${country}`) : new Intl.Locale('en-GB')) as WithWeek
  const first = (locale.getWeekInfo?.() ?? locale.weekInfo)?.firstDay ?? 1
  return Array.from({ length: 7 }, (_, i) => ((first - 1 + i) % 7) + 1)
}
