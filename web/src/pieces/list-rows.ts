import type { Ref } from 'vue'

/** The rows of a list that is typed: one changed, added, or taken off. */
export const listRows = <T extends object>(rows: Ref<T[]>) => ({
  change: (at: number, to: Partial<T>) => {
    rows.value = rows.value.map((row, i) => (i === at ? { ...row, ...to } : row))
  },
  add: (row: T) => {
    rows.value = [...rows.value, row]
  },
  drop: (at: number) => {
    rows.value = rows.value.filter((_, i) => i !== at)
  },
})
