/** Asks the port that moves the application's clock, restarts it or gives it its first database back. */
export async function control(what: string): Promise<string> {
  const answer = await fetch(`${process.env['TADKA_CONTROL']}/${what}`, { method: 'POST' })
  if (!answer.ok) throw new Error(`the application's control refused ${what}`)
  return answer.text()
}
