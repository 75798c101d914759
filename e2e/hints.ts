/** Nobody is told the hints of a first evening, but for the test of them. */
export const withoutHints = () =>
  window.localStorage.setItem('tadka.hints', '{"*":["yours","name","find","bench","log"]}')
