import { payloadSchemas } from '@tadka/contract/record'
import { computed, ref, type ComputedRef, type Ref } from 'vue'
import { useI18n } from 'vue-i18n'

/** A draft whose fields are typed into. */
export type Typed<D> = { -readonly [K in keyof D]: D[K] }

export interface DraftForm<D, F extends string, P> {
  readonly draft: Ref<Typed<D>>
  readonly set: (change: Partial<D>) => void
  /** What is wrong with a field, in words; said once somebody has tried to save. */
  readonly fault: (...fields: (F | keyof D)[]) => string
  /** What the log would not take, at no field of the form. */
  readonly rest: ComputedRef<string>
  /** Whether somebody has tried to save it. */
  readonly tried: Ref<boolean>
  /** What was typed, ready for the log; null where something is wrong, which is told from then on. */
  readonly keep: () => P | null
  readonly clear: () => void
}

interface Asked<D, F extends string, P> {
  readonly start: () => D
  readonly faults: (draft: D) => readonly F[]
  /** Null while the form itself finds something wrong. */
  readonly made: (draft: D) => P | null
  /** What it is in the log, which decides what of it is taken. */
  readonly type: keyof typeof payloadSchemas
  /** The field at which a part of what is made is typed, where the two do not bear one name; null: said below the form. */
  readonly fieldOf?: Readonly<Record<string, F | null>>
  /** Where the words of its faults stand. */
  readonly words: string
}

/** A form of House: what is typed, what is wrong with it, and nothing kept that the log would not take. */
export function useDraftForm<D extends object, F extends string, P>(
  asked: Asked<D, F, P>,
): DraftForm<D, F, P> {
  const { t } = useI18n()
  // A copy: what is typed into it is typed into nothing that another form begins from.
  const anew = () => ({ ...asked.start() }) as Typed<D>
  const draft = ref(anew()) as Ref<Typed<D>>
  const tried = ref(false)
  const faults = computed(() => asked.faults(draft.value))
  const fieldOf = new Map<string, string | null>(Object.entries(asked.fieldOf ?? {}))
  const fieldAt = (part: string) =>
    fieldOf.has(part) ? (fieldOf.get(part) ?? null) : Object.hasOwn(draft.value, part) ? part : null
  const issuesOf = (made: P) =>
    (payloadSchemas[asked.type].safeParse(made).error?.issues ?? []).map((issue) => {
      const long = issue.code === 'too_big' && issue.origin === 'string'
      return {
        field: fieldAt(String(issue.path[0] ?? '')),
        why: long ? t('house.form.tooLong', { most: Number(issue.maximum) }) : t('house.form.notTaken'),
      }
    })
  const made = () => (faults.value.length > 0 ? null : asked.made(draft.value))
  const issues = computed(() => {
    const now = made()
    return now === null ? [] : issuesOf(now)
  })
  const fault = (...fields: (F | keyof D)[]) => {
    if (!tried.value) return ''
    const own = faults.value.find((f) => fields.includes(f))
    if (own) return t(`${asked.words}.${own}`)
    return issues.value.find((i) => fields.some((f) => f === i.field))?.why ?? ''
  }
  const rest = computed(() => (tried.value && issues.value.find((i) => i.field === null)?.why) || '')
  return {
    draft,
    tried,
    fault,
    rest,
    set: (change) => (draft.value = { ...draft.value, ...change }),
    keep() {
      tried.value = true
      // Made at this moment: it may bear the time.
      const now = made()
      return now === null || issuesOf(now).length > 0 ? null : now
    },
    clear() {
      draft.value = anew()
      tried.value = false
    },
  }
}
