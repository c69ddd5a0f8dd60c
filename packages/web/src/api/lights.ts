import { ask } from './ask.ts'

/** How light pictures are. */
export const lightsApi = {
  lights: (ids: readonly string[]) => ask('GET /lights', { query: { ids: ids.join(',') } }),
}
