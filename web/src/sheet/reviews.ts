import { defineStore } from 'pinia'
import { ref } from 'vue'
import { useSession } from '../rights/session.ts'
import { ask } from '../wire/api.ts'

/** A day that is over: who signed it, who looked it through, and whether that has waited too long. */
export interface ReviewDay {
  readonly day: string
  readonly signedBy: string | null
  readonly reviewed: { readonly at: number; readonly by: string } | null
  readonly isLate: boolean
}

/** The last days, for who may look them through. */
export const useReviews = defineStore('reviews', () => {
  const session = useSession()
  const days = ref<readonly ReviewDay[]>([])

  /** Reads them; where the server is away, what was read stays. */
  async function load(): Promise<void> {
    if (!session.mayDo('review-day')) return void (days.value = [])
    const got = await ask<{ days: ReviewDay[] }>('GET', `/api/sites/${session.site}/reviews`).catch(
      () => null,
    )
    if (got) days.value = got.days
  }
  return { days, load }
})
