import { picturesOf, stepsOf } from '@tadka/core/procedure'
import type { Site } from './site.ts'

/** Photos of the site's own procedures, and data sheets, by hash: they are shown when the network is away. */
export const picturesShown = (site: Pick<Site, 'all'>): string[] => [
  ...site
    .all('procedure')
    .flatMap((own) => stepsOf(own.versions.at(-1)?.nodes ?? []))
    .flatMap(picturesOf)
    .map((p) => p.sha256),
  ...site.all('product').flatMap((p) => p.sheet?.sha256 ?? []),
]
