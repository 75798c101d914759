import type { Facets, Node } from '@tadka/core/procedure'
import { useI18n } from 'vue-i18n'

/** What a step makes of the machine, in words. */
export function useStateWords() {
  const { t } = useI18n()
  const valueOf = (facet: string, value: unknown): string =>
    facet === 'hygiene' && value === 'sanitized'
      ? t('editor.sanitized')
      : facet === 'primed'
        ? t(`editor.primed.${String(value)}`)
        : t(`run.${facet}.${String(value)}`)
  const say = (state: Partial<Facets> | undefined): string[] =>
    Object.entries(state ?? {})
      .filter(([facet]) => facet !== 'temperature' && facet !== 'partsOut')
      .map(([facet, value]) => `${t(`editor.facet.${facet}`)}: ${valueOf(facet, value)}`)
  /** "Inside: empty · Power: off" for a step; while it runs, where it says so. */
  function changeOf(node: Node): string {
    const during = 'during' in node ? say(node.during) : []
    const after = 'effects' in node ? say(node.effects) : []
    return [
      ...(during.length > 0 ? [t('editor.whileItRuns', { what: during.join(', ') })] : []),
      ...after,
    ].join(' · ')
  }
  /** A title with the names of the plate's numbers in their place. */
  const withNames = (title: string): string =>
    title.replace(/\{(\w+)\}/g, (_, name: string) => `‹${t(`plate.${name}`)}›`)
  /** What a step or a group is called in a list. */
  function titleOf(node: Node): string {
    if (node.kind === 'each') return t('editor.eachOf', { unit: node.unit })
    if (node.kind === 'together') return t('editor.together')
    if (node.kind === 'branch') return t('editor.branchOn')
    return withNames(node.title) || t('editor.unnamed')
  }
  return { valueOf, changeOf, withNames, titleOf }
}
