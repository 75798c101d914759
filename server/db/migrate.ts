import { fileURLToPath } from 'node:url'
import { runner } from 'node-pg-migrate'

/** Brings the schema up to date, as the owner of the database. Safe to call at every start. */
export async function migrate(ownerUrl: string, log: (line: string) => void = () => {}): Promise<void> {
  await runner({
    databaseUrl: ownerUrl,
    dir: fileURLToPath(new URL('../migrations', import.meta.url)),
    migrationsTable: 'migration',
    direction: 'up',
    log: () => {},
    logger: { debug: () => {}, info: log, warn: log, error: log },
  })
}
