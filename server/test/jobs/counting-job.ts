import { Outlet } from '../../work/outlet.ts'
import type { Job } from '../../work/work.ts'

/** Puts numbers out until nobody takes more; says in the shared memory how many it made. */
export default async function countingJob({
  asked: { upTo, made, breakAt },
  port,
}: Job<{ upTo: number; made: Int32Array; breakAt?: number }>): Promise<number> {
  if (!port) return upTo
  const outlet = new Outlet<number>(port)
  try {
    for (let i = 1; i <= upTo; i++) {
      if (i === breakAt) throw new RangeError('broken on purpose')
      Atomics.store(made, 0, i)
      if (!(await outlet.put(i))) break
    }
  } finally {
    outlet.close()
    Atomics.store(made, 1, 1)
  }
  return upTo
}
