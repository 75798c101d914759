/** Until an answer has come, but no longer than this: what is kept is shown meanwhile, and the answer takes its place. */
const soonMs = 1500

/** Whether the work ended soon; where it did not it goes on. Rejects as the work does where it fails soon. */
export const endsSoon = (work: Promise<unknown>): Promise<boolean> =>
  Promise.race([
    work.then(() => true),
    new Promise<boolean>((resolve) => setTimeout(() => resolve(false), soonMs)),
  ])
