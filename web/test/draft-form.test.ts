import { createSSRApp, defineComponent, h } from 'vue'
import { renderToString } from 'vue/server-renderer'
import { describe, expect, it } from 'vitest'
import { containerFaults, containerOf, emptyContainer } from '../src/house/container-draft.ts'
import { useDraftForm, type DraftForm } from '../src/house/draft-form.ts'
import {
  emptyInstrument,
  instrumentFaults,
  instrumentOf,
  numberFields,
  type InstrumentDraft,
  type InstrumentFault,
} from '../src/house/instrument-draft.ts'
import { fetchWords, i18n } from '../src/words/index.ts'
import { instant } from '@tadka/core/quantity'

/** What is called as a form calls it, within an application that has its words. */
async function inForm<T>(made: () => T): Promise<T> {
  await fetchWords()
  let form: T | undefined
  const asked = () => {
    form = made()
    return () => h('i')
  }
  await renderToString(createSSRApp(defineComponent({ setup: asked })).use(i18n))
  if (form === undefined) throw new Error('nothing was set up')
  return form
}
const strip: InstrumentDraft = {
  ...emptyInstrument,
  name: 'Quat strip',
  blocks: '0 200 400',
  date: '2027-03-01',
}
const instrumentForm = (start: InstrumentDraft) =>
  inForm((): DraftForm<InstrumentDraft, InstrumentFault, unknown> =>
    useDraftForm({
      start: () => start,
      faults: instrumentFaults,
      made: instrumentOf,
      type: 'instrument.set@1',
      words: 'house.instrument.fault',
      fieldOf: { bestBefore: 'date', checkDue: 'date', ...numberFields },
    }),
  )

describe('a form of House', () => {
  it('says nothing of what is wrong before somebody tries to save', async () => {
    const form = await instrumentForm({ ...strip, name: '' })
    expect(form.fault('name')).toBe('')
    expect(form.keep()).toBeNull()
    expect(form.fault('name')).toBe('Give it a name.')
  })
  it('keeps nothing that the log would not take, and says so at the field', async () => {
    const form = await instrumentForm({ ...strip, name: 'x'.repeat(81) })
    expect(form.keep()).toBeNull()
    expect(form.fault('name')).toBe('Too long: 80 characters at most.')
    expect(form.rest.value).toBe('')
    form.draft.value.name = 'Quat strip'
    expect(form.fault('name')).toBe('')
    expect(form.keep()).toMatchObject({ kind: 'strip', blocks: [0, 200, 400] })
  })
  it('tells below the form what stands at no field of it', async () => {
    const form = await instrumentForm({ ...strip, madeFor: ['Not a slug!'] })
    const below = await inForm(() =>
      useDraftForm({
        start: () => strip,
        faults: instrumentFaults,
        made: (d) => ({ ...instrumentOf(d), somethingElse: 1 }),
        type: 'instrument.set@1',
        words: 'house.instrument.fault',
      }),
    )
    expect([form.keep(), below.keep()]).toEqual([null, null])
    expect(form.fault('madeFor')).not.toBe('')
    expect(below.rest.value).toMatch(/cannot be saved/)
  })
  it('types into nothing that the next form begins from', async () => {
    const form = await instrumentForm(emptyInstrument)
    form.draft.value.name = 'Quat strip'
    form.draft.value.unit = 'pH'
    expect((await instrumentForm(emptyInstrument)).draft.value).toEqual(emptyInstrument)
    form.clear()
    expect(form.draft.value).toMatchObject({ name: '', unit: 'ppm' })
    form.draft.value.name = 'again'
    expect(emptyInstrument.name).toBe('')
  })
  it('is made at the moment it is kept, not when it was typed', async () => {
    let now = 1000
    const form = await inForm(() =>
      useDraftForm({
        start: () => emptyContainer,
        faults: containerFaults,
        made: (d) => containerOf(d, 'quat', instant(now), (typed) => typed),
        type: 'concentrate.opened@1',
        words: 'house.container.fault',
      }),
    )
    expect(form.keep()?.openedAt).toBe(1000)
    now = 61_000
    expect(form.keep()?.openedAt).toBe(61_000)
  })
  it('is empty again after what was typed is put in force', async () => {
    const form = await instrumentForm(strip)
    form.set({ name: 'Other' })
    form.keep()
    form.clear()
    expect(form.draft.value).toEqual(strip)
    expect(form.tried.value).toBe(false)
  })
})

describe('a container as it is typed', () => {
  const made = (d: Partial<typeof emptyContainer>) =>
    containerOf({ ...emptyContainer, ...d }, 'quat', instant(5), (typed) => typed * 3.785)
  it('says nothing where nothing was typed: neither a date nor a size is made up', () => {
    expect(made({})).toEqual({ product: 'quat', openedAt: 5, bestBefore: null, daysOnceOpen: null })
  })
  it('is kept in mL, typed in the site’s own unit, with a decimal comma too', () => {
    expect(made({ holds: '2,5', days: '90', lot: ' 4711 ' })).toMatchObject({
      holds: 9462.5,
      daysOnceOpen: 90,
      lot: '4711',
    })
  })
  it('names the fields that are no number or no date', () => {
    expect(containerFaults({ ...emptyContainer, days: 'x', holds: '0', bestBefore: 'soon' })).toEqual([
      'bestBefore',
      'days',
      'holds',
    ])
  })
})
