/** A text with its places filled: `said('Due: {what}', { what: 'Descale' })`. A place that nothing is given for stays as it is. */
export const said = (text: string, places: Readonly<Record<string, string | number>>): string =>
  text.replace(/\{(\w+)\}/g, (whole, name: string) => String(places[name] ?? whole))
