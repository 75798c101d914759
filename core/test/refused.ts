import { Refusal } from '../refusal/index.ts'

/** The code of a refusal with its details, or null where nothing was refused. */
export const refused = (act: () => unknown): unknown => {
  try {
    act()
  } catch (error) {
    if (error instanceof Refusal) return { code: error.code, ...error.details }
    throw error
  }
  return null
}
