import { ref } from 'vue'
import { ApiError, ServerAway } from '../api/ask.ts'

/** What could not be done and was told nowhere else, as a sentence; empty while all is well. */
export const notice = ref('')

/** Answers that nobody waited for become a sentence on the page, not a fault of it. */
export function tellWhatNobodyWaitedFor(): void {
  window.addEventListener('unhandledrejection', (event) => {
    const { reason } = event as { reason: unknown }
    if (!(reason instanceof ServerAway || reason instanceof ApiError)) return
    event.preventDefault()
    notice.value = reason.message
  })
}
