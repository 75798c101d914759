import pg from 'pg'

/** Works on a database as its owner, over a connection of its own: to make, restore and remove what the application may not. */
export async function asOwner<T>(ownerUrl: string, work: (owner: pg.Client) => Promise<T>): Promise<T> {
  const owner = new pg.Client({ connectionString: ownerUrl })
  await owner.connect()
  try {
    return await work(owner)
  } finally {
    // What it has locked is free again.
    await owner.end()
  }
}
