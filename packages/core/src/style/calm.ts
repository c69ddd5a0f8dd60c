import type { HouseStyle } from './house-style.ts'
import { CARDS, looks, px } from './looks.ts'
import { PLAIN_SUBTITLE } from './plain-subtitle.ts'

/** What a new film follows. */
export const CALM: HouseStyle = {
  id: 'calm',
  name: 'Calm documentary',
  version: 1,
  lettering: {
    palette: {
      light: '#fcfbf7',
      shade: '#141a24',
      paper: '#f4f0e6',
      ink: '#20252b',
      accent: '#d9a441',
    },
    subtitle: PLAIN_SUBTITLE,
    supers: looks(
      {
        face: 'newsreader',
        size: px(78),
        ground: 'shade',
        place: 'head-left',
        comes: 'fade',
        capitals: false,
      },
      {
        heading: { size: px(92), place: 'foot-left' },
        words: {},
        figures: { size: px(210), place: 'left' },
        quote: { size: px(84), place: 'left' },
        name: { size: px(70), place: 'foot-left' },
        key: { size: px(130), place: 'middle' },
        call: { face: 'source-sans', size: px(48), ground: 'plate', place: 'head-right' },
      },
    ),
    card: { face: 'newsreader', size: px(76) },
  },
  cards: CARDS,
  film: { mood: 'calm', rhythm: 'usual' },
}
