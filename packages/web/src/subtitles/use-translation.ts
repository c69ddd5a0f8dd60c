import { onScopeDispose, ref } from 'vue'
import { translationsApi } from '../api/translations.ts'

/** The asking of a service for a language. */
export function useTranslation(
  episodeId: () => string,
  language: () => string,
  told: (remarks: string[]) => void,
) {
  const asking = ref(false)
  const problem = ref('')
  let work = new AbortController()

  async function ask() {
    asking.value = true
    problem.value = ''
    const { signal } = (work = new AbortController())
    try {
      const { written, limits } = await translationsApi.askService(episodeId(), language(), signal)
      const scenes = written === 1 ? '1 scene has' : `${written} scenes have`
      told([`${scenes} a text of the service now; read it through.`, ...limits])
    } catch (cause) {
      if (!signal.aborted) problem.value = (cause as Error).message
    } finally {
      asking.value = false
    }
  }
  const stop = () => work.abort()
  onScopeDispose(stop)
  return { asking, problem, ask, stop }
}
