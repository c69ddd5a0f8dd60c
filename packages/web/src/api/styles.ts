import type { HouseStyle } from '@tidy-reel/core/style/house-style'
import { ask } from './ask.ts'

/** House styles of the channel. */
export const stylesApi = {
  styles: () => ask('GET /styles'),
  add: ({ name, lettering, cards, film }: HouseStyle) =>
    ask('POST /styles', { json: { name, lettering, cards, film } }),
  change: ({ id, version, name, lettering, cards, film }: HouseStyle) =>
    ask('PUT /styles/:id', {
      path: { id },
      json: { version, content: { name, lettering, cards, film } },
    }),
  restore: (style: HouseStyle) => ask('POST /styles/restore', { json: style }),
  remove: (id: string) => ask('DELETE /styles/:id', { path: { id } }),
}
