// What a thread begins with: it learns to read TypeScript, which the flag of its process does not reach, and opens the job's file.
import { register } from 'tsx/esm/api'

register()

export default async function thread({ file, job }) {
  const { default: work } = await import(file)
  return work(job)
}
