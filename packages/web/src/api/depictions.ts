import { ask } from './ask.ts'

/** What the scenes of an episode show. */
export const depictionsApi = {
  read: (id: string, signal: AbortSignal) =>
    ask('GET /episodes/:id/depictions', { path: { id }, signal }),
  askService: (id: string, signal: AbortSignal) =>
    ask('POST /episodes/:id/depictions', { path: { id }, signal }),
}
