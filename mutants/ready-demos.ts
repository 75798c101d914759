import { demoLike, testDatabase } from '../server/test/server.ts'

/** The demos that most tests begin with, made before any code is mutated: what a test runs by itself is then its own. */
export default async function setup(): Promise<void> {
  for (const days of [1, 2]) await (await testDatabase(demoLike(days))).drop()
}
