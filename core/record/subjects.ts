import type { AnyDraft, SubjectRef } from './record.ts'

/**
 * Every subject that a record folds into: its own first, then the others it concerns (a run's step changes its
 * station; a failed reading opens a case under its own id; a recheck belongs to the case it rechecks).
 */
export function subjectsOf(draft: AnyDraft & { readonly flags?: readonly string[] }): SubjectRef[] {
  const subjects: SubjectRef[] = [draft.subject]
  const add = (kind: SubjectRef['kind'], id: string | null) => {
    if (id !== null && !subjects.some((s) => s.kind === kind && s.id === id)) subjects.push({ kind, id })
  }
  switch (draft.type) {
    case 'record.amended@1':
      for (const s of draft.payload.subjects) add(s.kind, s.id)
      break
    case 'reading.taken@1':
      add('station', draft.payload.station)
      add('run', draft.payload.run)
      add('bath', draft.payload.bath)
      add('case', draft.payload.case)
      if (draft.payload.what === 'dish-machine') add('dish', draft.payload.station)
      if (draft.payload.what === 'sanitizer' && draft.payload.atRack) add('dish', draft.payload.station)
      if (draft.payload.case === null && draft.payload.judgement.overall !== 'in') add('case', draft.id)
      break
    case 'case.action@1':
      add('case', draft.payload.case)
      add('bath', draft.payload.bath)
      break
    case 'ware.in@1':
    case 'ware.out@1':
    case 'bath.mixed@1':
      add('bath', draft.payload.bath)
      break
    case 'run.started@1':
    case 'run.started@2':
    case 'run.step.done@1':
    case 'run.step.done@2':
    case 'run.step.undone@1':
    case 'run.step.undone@2':
    case 'run.wait.started@1':
    case 'run.wait.started@2':
    case 'run.overridden@1':
    case 'run.part.missing@1':
    case 'run.part.found@1':
    case 'run.part.lost@1':
    case 'run.parked@1':
    case 'run.resumed@1':
    case 'run.abandoned@1':
      add('station', draft.payload.station)
      break
    case 'run.entered@1':
      add('station', draft.payload.station)
      if (draft.payload.procedure.id.startsWith('dish-machine.')) add('dish', draft.payload.station)
      break
    case 'sign.seen@1':
      // How soon a dish machine scales up tunes when it is delimed.
      if (draft.payload.sign === 'scale') add('dish', draft.payload.station)
      break
    case 'concentrate.drawn@1':
      add('dish', draft.payload.station)
      break
    case 'run.finished@1':
      add('station', draft.payload.station)
      if (draft.payload.procedure?.startsWith('dish-machine.')) add('dish', draft.payload.station)
      break
  }
  // What was done though the state forbade it opens a case of its own.
  if (draft.flags?.includes('forbidden-act')) add('case', draft.id)
  return subjects
}
