export const huddle = {
  title: 'Two minutes before the shift',
  none: 'Nothing went wrong in two weeks, and at least two people know everything. Nothing to tell tonight.',
  times: 'Once in two weeks, on {last}. | {n} times in two weeks, last on {last}.',
  timesAt: 'Once in two weeks: {station}, {last}. | {n} times in two weeks, last at {station}, {last}.',
  knows: '{people} alone may do it.',
  nobody: 'Nobody here may do it alone.',
  say: 'Say',
  ask: 'Ask',
  answer: 'They should say',
  there: 'Who is here?',
  keep: 'They heard it',
  pickFirst: 'Tick who is here.',
  other: 'Another lesson',
  held: 'Told at {time}: {lesson}. Here were {people}.',
  name: {
    strength: 'Sanitizer out of range',
    rinse: 'Dish machine not hot or not right',
    'cold-food': 'Mix too warm',
    water: 'Wash water not warm enough',
    'forbidden-act': 'Something was done that the machine’s state forbids',
    'not-sanitized': 'A contact time was cut short',
    'part-lost': 'A part was never found',
    'few-know': 'Too few know: {procedure}',
  },
  tell: {
    strength:
      'Dip after mixing, and again before you rely on it. Hold the strip beside its card at the time its pack says, not later. Between two blocks the lower one counts. Where that is too weak, strengthen it or mix it anew, then dip again.',
    rinse:
      'Read the gauge while the last rinse runs, not before. Below its limit the rack is not sanitized: stop, tell the lead, and wash the racks since the last good reading again.',
    'cold-food':
      'Hold the probe in the mix, not at the wall, until it stands still. Above the limit: how long it has been so decides whether it stays. Not known means it goes.',
    water:
      'The thermometer goes into the water, not under the tap. Too cold washes no fat off: let it out and fill afresh.',
    'forbidden-act':
      'The red lines beside each step are there for a reason: freezing water breaks the barrel, hands in a live machine break bones. Where one stands, the step waits.',
    'not-sanitized':
      'The timer is the work. What ran out before its time has sanitized nothing: fill again and start again, and say so if there is no time for it.',
    'part-lost':
      'Count parts out and count them in, on the towel, before the machine is closed. One short means stop: it may be in somebody’s cup.',
    'few-know':
      'Whoever wants to learn it looks on tonight, does it next time with somebody by, and answers the questions. On the tablet: Shift, Training.',
  },
  question: {
    strength: 'The strip lies between two blocks, and the lower one is too weak. What now?',
    rinse: 'The rinse shows two degrees too little, and the plates look clean. What now?',
    'cold-food': 'The mix is too warm, and nobody knows since when. What now?',
    water: 'The wash water has gone lukewarm in the middle of the rush. What now?',
    'forbidden-act': 'The step says done, and a red line says why not. Which one counts?',
    'not-sanitized': 'A guest waits, and the timer has a minute to go. What do you do?',
    'part-lost': 'All parts are in but one ring. The line is out of the door. What now?',
    'few-know': 'Who has seen it done? Who would do it with somebody by?',
  },
  right: {
    strength: 'Strengthen or mix anew, stir, dip again. Nothing is dipped in it before.',
    rinse: 'Not sanitized, however it looks. Stop, tell the lead, wash again.',
    'cold-food': 'It is thrown away.',
    water: 'Let it out, fill afresh, read again.',
    'forbidden-act': 'The red line.',
    'not-sanitized': 'Wait the minute. Or serve from another machine.',
    'part-lost': 'Stop. Nothing is served from it until the ring is found.',
    'few-know': 'Names. Put them beside somebody who knows.',
  },
}
