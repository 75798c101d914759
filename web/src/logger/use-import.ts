import type { ImportAnswer } from '@tadka/contract/logger'
import type { LoggerGuess, LoggerMapping, LoggerSeries } from '@tadka/core/logger'
import { Refusal, type RefusalWire } from '@tadka/core/refusal'
import { limitsFor } from '@tadka/core/warewash'
import type { LocalRule } from '@tadka/core/rules'
import { useTimeoutFn } from '@vueuse/core'
import { computed, onBeforeUnmount, ref, shallowRef, watch } from 'vue'
import { useKit } from '../site/kit.ts'
import { useSession } from '../rights/session.ts'
import { useSite } from '../site/site.ts'
import { rightNow } from '../wire/clock.ts'
import { upload } from '../wire/upload.ts'
import type { Checked } from './check.ts'
import { firstRows, mappingFrom, openFile, type LoggerDraft, type Untold } from './draft.ts'
import type { Said } from './worker.ts'

/** Where a file stands on its way in. */
export type Stage =
  | { readonly kind: 'untold'; readonly untold: Untold }
  | { readonly kind: 'checking'; readonly rows: number; readonly share: number }
  | { readonly kind: 'refused'; readonly refused: RefusalWire }
  | { readonly kind: 'checked'; readonly checked: Checked }
  | { readonly kind: 'stopped' }
  | { readonly kind: 'sending'; readonly share: number }
  | { readonly kind: 'unreached' }
  | { readonly kind: 'done'; readonly answer: ImportAnswer }

/** A file on its way in: opened, read as somebody says, checked whole, sent. Nothing is lost when it fails on the way. */
export function useImport(begin: string) {
  const site = useSite()
  const session = useSession()
  const kit = useKit()
  const file = shallowRef<File | null>(null)
  const head = ref('')
  const guess = shallowRef<LoggerGuess | null>(null)
  const draft = ref<LoggerDraft | null>(null)
  const station = ref(begin)
  const unread = ref(false)
  const stage = ref<Stage>({ kind: 'untold', untold: 'columns' })
  const told = computed(() => draft.value && mappingFrom(draft.value))
  const mapping = computed((): LoggerMapping | null =>
    told.value === null || typeof told.value === 'string' ? null : told.value,
  )
  const preview = computed((): LoggerSeries | RefusalWire | null => {
    if (!mapping.value) return null
    try {
      return firstRows(head.value, mapping.value)
    } catch (error) {
      if (error instanceof Refusal) return error.toWire()
      throw error
    }
  })

  async function open(chosen: File): Promise<void> {
    const found = await openFile(chosen, site.set?.timeZone ?? 'UTC')
    unread.value = found === null
    file.value = chosen
    head.value = found?.head ?? ''
    guess.value = found?.guess ?? null
    draft.value = found?.draft ?? null
  }

  let worker: Worker | null = null
  let asked = 0
  let ends: (() => void) | null = null
  // Once nobody has changed anything for a moment.
  const soon = useTimeoutFn(() => check(), 250, { immediate: false })
  /** Calls off what is under way: a check, or a file being sent. */
  function stop(): void {
    soon.stop()
    worker?.postMessage({ id: asked })
    asked++
    ends?.()
    if (stage.value.kind === 'checking' || stage.value.kind === 'sending') stage.value = { kind: 'stopped' }
  }
  function check(): void {
    stop()
    if (!file.value || !mapping.value) return
    worker ??= new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
    const id = asked
    stage.value = { kind: 'checking', rows: 0, share: 0 }
    worker.onmessage = ({ data }: MessageEvent<{ id: number; said: Said }>) => {
      if (data.id !== asked) return
      const { said } = data
      if (said.kind === 'read') stage.value = { kind: 'checking', rows: said.rows, share: said.share }
      else stage.value = said
    }
    const local = kit.rulesAt(rightNow())
    const told = { mapping: mapping.value, limits: limits(local), local }
    const plain = JSON.parse(JSON.stringify(told)) as object
    worker.postMessage({ id, asked: { file: file.value, ...plain } })
  }
  const limits = (local: readonly LocalRule[]) => {
    const plate = site.one('station', station.value)?.plate
    return plate ? limitsFor(plate, site.set?.schools ?? {}, local) : null
  }
  // What is shown must be of what is chosen, from the first moment on.
  watch(
    [told, station, file],
    () => {
      stop()
      stage.value =
        typeof told.value === 'string'
          ? { kind: 'untold', untold: told.value }
          : { kind: 'checking', rows: 0, share: 0 }
      soon.start()
    },
    { deep: true, flush: 'sync' },
  )
  onBeforeUnmount(() => {
    ends?.()
    worker?.terminate()
  })

  async function send(): Promise<void> {
    if (!file.value || !mapping.value) return
    const query = new URLSearchParams({
      station: station.value,
      name: file.value.name.slice(0, 120),
      mapping: JSON.stringify(mapping.value),
    })
    const path = `/api/sites/${session.site}/loggers?${query}`
    stage.value = { kind: 'sending', share: 0 }
    const id = ++asked
    const going = upload<ImportAnswer>(path, file.value, 'text/csv', (share) => {
      if (id === asked) stage.value = { kind: 'sending', share }
    })
    ends = going.cancel
    try {
      const answer = await going.answer
      if (id === asked) stage.value = { kind: 'done', answer }
    } catch (error) {
      if (id !== asked) return
      stage.value =
        error instanceof Refusal ? { kind: 'refused', refused: error.toWire() } : { kind: 'unreached' }
    } finally {
      ends = null
    }
  }
  return { file, guess, draft, station, unread, stage, preview, mapping, open, check, send, stop }
}

export type Import = ReturnType<typeof useImport>
