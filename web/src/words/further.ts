import { caseWords } from '@tadka/words/en/case'
import { chart } from '@tadka/words/en/chart'
import { cold } from '@tadka/words/en/cold'
import { dish } from '@tadka/words/en/dish'
import { editor } from '@tadka/words/en/editor'
import { first } from '@tadka/words/en/first'
import { house } from '@tadka/words/en/house'
import { huddle } from '@tadka/words/en/huddle'
import { illness } from '@tadka/words/en/illness'
import { incident } from '@tadka/words/en/incident'
import { inspect } from '@tadka/words/en/inspect'
import { instruments } from '@tadka/words/en/instruments'
import { logger } from '@tadka/words/en/logger'
import { question } from '@tadka/words/en/question'
import { cost } from '@tadka/words/en/cost'
import { fault } from '@tadka/words/en/fault'
import { lab } from '@tadka/words/en/lab'
import { shelf } from '@tadka/words/en/shelf'
import { rerun } from '@tadka/words/en/rerun'
import { round } from '@tadka/words/en/round'
import { pest } from '@tadka/words/en/pest'
import { stock } from '@tadka/words/en/stock'
import { task } from '@tadka/words/en/task'
import { machine, scan } from '@tadka/words/en/machine'
import { machines } from '@tadka/words/en/machines'
import { pack } from '@tadka/words/en/pack'
import { plate } from '@tadka/words/en/plate'
import { practice } from '@tadka/words/en/practice'
import { practices } from '@tadka/words/en/practices'
import { setup } from '@tadka/words/en/setup'
import { sheet } from '@tadka/words/en/sheet'
import { check } from '@tadka/words/en/check'
import { training } from '@tadka/words/en/training'
import { trend } from '@tadka/words/en/trend'
import { trust } from '@tadka/words/en/trust'
import { uses } from '@tadka/words/en/uses'

/** The words that the first place, Shift, does not need: they come with the first of the others. */
export const further = {
  case: caseWords,
  chart,
  cold,
  dish,
  editor,
  first,
  house,
  huddle,
  illness,
  incident,
  inspect,
  instruments,
  logger,
  machine,
  machines,
  pack,
  plate,
  practice,
  practices,
  question,
  rerun,
  round,
  pest,
  shelf,
  cost,
  fault,
  lab,
  stock,
  task,
  scan,
  setup,
  sheet,
  check,
  training,
  trend,
  trust,
  uses,
}
