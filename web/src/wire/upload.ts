import { actingNow, refusalOf, Unreachable } from './api.ts'

/**
 * Sends a file, telling how much of it has gone. The answer throws a Refusal with its reason, or Unreachable; `cancel` ends it, and the
 * server then keeps nothing. @param sent hears the share of the bytes sent.
 */
export function upload<T>(
  path: string,
  file: Blob,
  type: string,
  sent: (share: number) => void,
): { readonly answer: Promise<T>; readonly cancel: () => void } {
  const request = new XMLHttpRequest()
  request.open('POST', path)
  request.setRequestHeader('content-type', type)
  if (actingNow()) request.setRequestHeader('tadka-acting', actingNow())
  request.upload.addEventListener('progress', (e) => sent(e.total > 0 ? e.loaded / e.total : 0))
  const answer = new Promise<T>((resolve, reject) => {
    const gone = () => reject(new Unreachable())
    request.addEventListener('error', gone)
    request.addEventListener('abort', gone)
    request.addEventListener('load', () => {
      let body: unknown
      try {
        body = JSON.parse(request.responseText)
      } catch {
        body = {}
      }
      if (request.status >= 200 && request.status < 300) resolve(body as T)
      else reject(refusalOf(request.status, body))
    })
    request.send(file)
  })
  return { answer, cancel: () => request.abort() }
}
