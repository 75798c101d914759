/** What a job makes, a line of JSON each. */
export async function* asLines(pieces: AsyncIterable<unknown>): AsyncGenerator<string> {
  for await (const piece of pieces) yield `${JSON.stringify(piece)}\n`
}
