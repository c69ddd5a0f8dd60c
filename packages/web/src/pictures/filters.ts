import type { PictureFilter } from '@tidy-reel/core/pictures/filter'
import { COLOURS } from '@tidy-reel/core/pictures/look'

type Key = keyof PictureFilter

/** What can be asked of pictures, each with its choices and what a chip says of them. */
export const FILTERS: readonly {
  key: Key
  label: string
  choices: readonly (readonly [value: string | number, said: string])[]
}[] = [
  {
    key: 'kind',
    label: 'Kind',
    choices: [
      ['clip', 'clips'],
      ['photo', 'stills'],
      ['made', 'made pictures'],
    ],
  },
  {
    key: 'orientation',
    label: 'Shape',
    choices: [
      ['landscape', 'wide'],
      ['portrait', 'upright'],
      ['square', 'square'],
    ],
  },
  {
    key: 'size',
    label: 'Size',
    choices: [
      ['hd', '1080 lines or more'],
      ['large', '2160 lines or more'],
    ],
  },
  {
    key: 'seconds',
    label: 'Clips last',
    choices: [
      [5, '5 s or more'],
      [8, '8 s or more'],
      [15, '15 s or more'],
    ],
  },
  {
    key: 'origin',
    label: 'From',
    choices: [
      ['stock', 'stock libraries'],
      ['own', 'own files'],
      ['made', 'the picture maker'],
    ],
  },
  {
    key: 'licence',
    label: 'Licence',
    choices: [
      ['free', 'asks for nothing'],
      ['credit', 'asks for a credit at most'],
      ['usable', 'may be used'],
    ],
  },
  {
    key: 'people',
    label: 'People',
    choices: [
      ['with', 'with people'],
      ['without', 'nobody in it'],
    ],
  },
  { key: 'colour', label: 'Colour', choices: COLOURS.map((colour) => [colour, colour] as const) },
]

/** What the chips of a filter say. */
export const chipsOf = (filter: PictureFilter): { key: Key; said: string }[] => [
  ...FILTERS.flatMap(({ key, choices }) =>
    choices.flatMap(([value, said]) => (filter[key] === value ? [{ key, said }] : [])),
  ),
  ...(filter.source ? [{ key: 'source' as const, said: `from “${filter.source}”` }] : []),
]
