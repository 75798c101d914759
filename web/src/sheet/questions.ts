import type { QuestionAnswer, QuestionList } from '@tadka/contract/honesty'
import type { Question } from '@tadka/core/honesty'
import { defineStore } from 'pinia'
import { ref } from 'vue'
import { useSession } from '../rights/session.ts'
import { ask } from '../wire/api.ts'
import { now } from '../wire/clock.ts'
import { newId } from '../wire/device.ts'

/** What was read stands so long. */
const freshMs = 10 * 60_000

/** What the log makes a manager ask, and what came of what was asked. */
export const useQuestions = defineStore('questions', () => {
  const session = useSession()
  const list = ref<QuestionList | null>(null)
  const failed = ref(false)
  let readAt = -Infinity
  const path = () => `/api/sites/${session.site}/questions`

  /** Reads them; where the server is away, what was read stays. */
  async function load(): Promise<void> {
    if (!session.mayDo('ask-questions')) return void (list.value = null)
    const got = await ask<QuestionList>('GET', path()).catch(() => null)
    failed.value = got === null
    if (got) {
      list.value = got
      readAt = now()
    }
  }
  /** The same where what was read is old: a fortnight is much to look through. */
  const refresh = () => (now() - readAt > freshMs ? load() : Promise.resolve())

  /** Throws what the server refuses with; the question stands until it took the answer. */
  async function answer(q: Question, how: QuestionAnswer['how'], note: string): Promise<void> {
    const { kind, person, to: upTo } = q
    await ask('POST', path(), { id: newId(), kind, person, upTo, how, note } satisfies QuestionAnswer)
    await load()
  }
  return { list, failed, load, refresh, answer }
})
