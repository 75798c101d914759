import { outline, procedureOfRun, readVerdict, type RunState } from '@tadka/core/procedure'
import { shallowReactive } from 'vue'
import { useI18n } from 'vue-i18n'
import { useStepWords } from './step-words.ts'
import { useProcedures } from './procedures.ts'
import { useReadOff } from './read-off.ts'
import { useSession } from '../rights/session.ts'
import { useSite } from './site.ts'

/** Runs that the tablet does not hold any more, as a page of the log brought them. */
export const loggedRuns = shallowReactive(new Map<string, RunState>())

/** Names for ids, as people say them; the id itself where nothing better is known. */
export function useNames() {
  const site = useSite()
  const session = useSession()
  const procedures = useProcedures()
  const { t } = useI18n()
  const { titleOf } = useStepWords()
  const readOff = useReadOff()
  const runOf = (id: string): RunState | null => site.one('run', id) ?? loggedRuns.get(id) ?? null
  function stepOf(run: string, key: string) {
    const state = runOf(run)
    const procedure = state && procedureOfRun(state)
    const position = procedure && state ? outline(procedure, state).find((p) => p.key === key) : undefined
    return state && procedure && position ? { state, procedure, position } : null
  }
  void (session.door ?? session.openDoor().catch(() => {}))
  return {
    station: (id: string) => site.one('station', id)?.plate?.name ?? id,
    /** The short number on its tag. */
    tag: (id: string) => site.one('station', id)?.plate?.tag ?? '',
    /** Where it stands and the number on its tag: "Quayside kiosk · no. 12". */
    where: (id: string) => {
      const plate = site.one('station', id)?.plate
      return [plate?.place, plate?.tag ? t('common.tag', { tag: plate.tag }) : ''].filter(Boolean).join(' · ')
    },
    product: (id: string) => {
      const found = site.one('product', id)
      return found && 'name' in found ? found.name : id
    },
    /** A frozen-dessert mix with its flavour. */
    mix: (id: string) => {
      const found = site.one('mix', id)
      return found?.name ? [found.name, found.flavour].filter(Boolean).join(', ') : id
    },
    instrument: (id: string) => {
      const found = site.one('instrument', id)
      return found && 'name' in found ? found.name : id
    },
    /** By name, whoever works or worked here. */
    person: (id: string) =>
      session.everyone.find((p) => p.id === id)?.name ?? site.one('crew', id)?.name ?? id,
    procedure: procedures.nameOf,
    /** A run as the tablet holds it, or as the log brought it. */
    run: runOf,
    /** The title of a step of a run with its numbers, or its key. */
    step: (run: string, key: string) => {
      const found = stepOf(run, key)
      return found ? titleOf(found.position, found.state.parameters, found.procedure) : key
    },
    /** What an inspection's choice says, or its id. */
    choice: (run: string, key: string, id: string) => {
      const step = stepOf(run, key)?.position
      const choices = step?.kind === 'step' && step.step.kind === 'inspect' ? step.step.choices : []
      return choices.find((c) => c.id === id)?.name ?? id
    },
    /** A number that a step read off, and its verdict where it has one: "Burr zero 200 µm, In range". */
    read: (run: string, key: string, value: number) => {
      const found = stepOf(run, key)
      if (found?.position.kind !== 'step' || found.position.step.kind !== 'read') return String(value)
      const { step } = found.position
      const { recipe } = step
      // What went by a recipe was judged as it was then.
      const told = recipe ? found.state.done[key]?.facts['outcome'] : undefined
      const verdict = told ?? readVerdict(step, value, found.state.parameters)
      return [`${step.what} ${readOff.say(step, value)}`, ...(verdict ? [t(`verdict.${verdict}`)] : [])].join(
        ', ',
      )
    },
    part: (run: string, key: string, id: string) => {
      const step = stepOf(run, key)?.position
      const parts = step?.kind === 'step' && step.step.kind === 'parts' ? step.step.parts : []
      return parts.find((p) => p.id === id)?.name ?? id
    },
  }
}
