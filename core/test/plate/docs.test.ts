import { expect, it } from 'vitest'
import { plateNumbers, type PlateNumber } from '../../plate/index.ts'
import { practices } from '../../rules/index.ts'

/** A table as the formatter lays it. */
function table(head: readonly string[], rows: readonly (readonly string[])[]): string {
  const widths = head.map((h, i) => Math.max(3, h.length, ...rows.map((r) => r[i]?.length ?? 0)))
  const line = (cells: readonly string[]) =>
    `| ${cells.map((c, i) => c.padEnd(widths[i] ?? 0)).join(' | ')} |`
  return [line(head), `| ${widths.map((w) => '-'.repeat(w)).join(' | ')} |`, ...rows.map(line)].join('\n')
}

const numbers = Object.entries<PlateNumber>(plateNumbers).map(([name, n]) => [
  `\`${name}\``,
  n.unit,
  `${n.can.lo} to ${n.can.hi}`,
  n.within ? `\`${n.within}\`` : '',
  n.readBy.join(', '),
])
const choices = practices.map((s) => [`\`${s.id}\``, s.choices.map((c) => `\`${c}\``).join(', ')])

it('the document of what can be set is made from the catalogues', async () => {
  const text = `# What can be set

Made from \`core/plate/numbers.ts\` and \`core/rules/practices.ts\` by their test, which fails where this differs; \`npx vitest run -u\` makes it anew.
A site types its numbers in its own units; here they stand as they are kept.

## Numbers of a data plate

What each can be is from memory of what such machines and vessels are built for. A number outside is refused on the form and by the API.

${table(['Number', 'Unit', 'Can be', 'No more than', 'Read by'], numbers)}

## Practices

Each moves an aim, never a limit.

${table(['Practice', 'Choices'], choices)}
`
  await expect(text).toMatchFileSnapshot('../../../docs/settings.md')
})
