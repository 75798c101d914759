import '@tadka/core/plan'
import '@tadka/core/record'
import './database.ts'

/** Reads what jobs begin with, so that the first who asks does not wait for it. */
export default function warmUpJob(): void {}
