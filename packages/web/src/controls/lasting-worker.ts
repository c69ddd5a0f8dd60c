/** Milliseconds after which a worker whose script did not come is asked for again. */
const AGAIN_MS = 2000

/**
 * A worker that is there in the end: where its script cannot be fetched, as while the server is
 * away, it is started anew, and what it was last told is told again.
 *
 * @param start starts it
 * @param hear  is handed each of its answers
 */
export function lastingWorker<Told, Answer>(start: () => Worker, hear: (answer: Answer) => void) {
  let worker: Worker | undefined
  let told: Told | undefined
  let again: ReturnType<typeof setTimeout> | undefined
  function begin() {
    let hasAnswered = false
    const begun = start()
    worker = begun
    begun.onmessage = ({ data }: MessageEvent<Answer>) => {
      hasAnswered = true
      hear(data)
    }
    begun.onerror = (event) => {
      // What goes wrong in a worker that runs is a fault, and is told as one.
      if (hasAnswered || event.message) return
      event.preventDefault()
      begun.terminate()
      again = setTimeout(begin, AGAIN_MS)
    }
    if (told !== undefined) begun.postMessage(told)
  }
  begin()
  return {
    post(message: Told) {
      told = message
      worker?.postMessage(message)
    },
    end() {
      clearTimeout(again)
      worker?.terminate()
    },
  }
}
