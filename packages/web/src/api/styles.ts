import type { HouseStyle } from '@tidy-reel/core/style/house-style'
import { ask } from './ask.ts'

/** What a person decides of a style; its name and number are given by the server. */
const contentOf = ({ id: _id, version: _version, ...content }: HouseStyle) => content

/** House styles of the channel, and fonts of its own. */
export const stylesApi = {
  styles: () => ask('GET /styles'),
  add: (style: HouseStyle) => ask('POST /styles', { json: contentOf(style) }),
  change: (style: HouseStyle) =>
    ask('PUT /styles/:id', {
      path: { id: style.id },
      json: { version: style.version, content: contentOf(style) },
    }),
  restore: (style: HouseStyle) => ask('POST /styles/restore', { json: style }),
  remove: (id: string) => ask('DELETE /styles/:id', { path: { id } }),
  fonts: () => ask('GET /fonts').then(({ faces }) => faces),
  takeFont: (file: File) => ask('POST /fonts', { query: { name: file.name }, file }),
}
