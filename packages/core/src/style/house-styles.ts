import { CALM } from './calm.ts'
import type { HouseStyle } from './house-style.ts'
import { CARDS, looks, px } from './looks.ts'
import { PLAIN_SUBTITLE } from './plain-subtitle.ts'
import { SUBTITLE_PRESETS } from './subtitle-presets.ts'

const newspaper: HouseStyle = {
  id: 'newspaper',
  name: 'Newspaper',
  version: 1,
  lettering: {
    palette: {
      light: '#fdfcf8',
      shade: '#101010',
      paper: '#f7f5f0',
      ink: '#151515',
      accent: '#9b1c1c',
    },
    subtitle: SUBTITLE_PRESETS.strips.style,
    supers: looks(
      {
        face: 'playfair',
        size: px(70),
        ground: 'plate',
        place: 'head-left',
        comes: 'rise',
        capitals: false,
      },
      {
        heading: { size: px(84), place: 'foot-left' },
        words: { size: px(64) },
        figures: { size: px(150), place: 'left' },
        quote: { face: 'spectral', size: px(74), place: 'left' },
        name: { size: px(61), place: 'foot-left' },
        key: { size: px(110), place: 'middle' },
        call: { face: 'spectral', size: px(49), place: 'head-right' },
      },
    ),
    card: { face: 'playfair', size: px(84) },
  },
  cards: CARDS,
  film: { mood: 'solemn', rhythm: 'usual' },
}

const board: HouseStyle = {
  id: 'board',
  name: 'School board',
  version: 1,
  lettering: {
    palette: {
      light: '#fbfaf2',
      shade: '#13241f',
      paper: '#24403a',
      ink: '#f3f1e7',
      accent: '#f2d16b',
    },
    subtitle: {
      ...PLAIN_SUBTITLE,
      face: 'patrick-hand',
      size: px(64),
      ground: 'plate',
      groundColour: '#24403a',
      colour: '#f3f1e7',
      strength: 0.9,
    },
    supers: looks(
      {
        face: 'patrick-hand',
        size: px(84),
        ground: 'plate',
        place: 'head-left',
        comes: 'typed',
        capitals: false,
      },
      {
        heading: { size: px(104), place: 'foot-left' },
        words: {},
        figures: { size: px(170), place: 'left', comes: 'pop' },
        quote: { size: px(95), place: 'left' },
        name: { size: px(74), place: 'foot-left' },
        key: { size: px(140), place: 'middle' },
        call: { size: px(61), place: 'head-right' },
      },
    ),
    card: { face: 'patrick-hand', size: px(96) },
  },
  cards: CARDS,
  film: { mood: 'warm', rhythm: 'usual' },
}

const night: HouseStyle = {
  id: 'night',
  name: 'Night',
  version: 1,
  lettering: {
    palette: {
      light: '#e9f0fb',
      shade: '#070b16',
      paper: '#0e1424',
      ink: '#dce6f5',
      accent: '#7fb4ff',
    },
    subtitle: {
      ...PLAIN_SUBTITLE,
      face: 'jost',
      size: px(54),
      colour: '#e9f0fb',
      ground: 'shade',
      groundColour: '#070b16',
      spoken: 'colour',
      spokenColour: '#7fb4ff',
      comes: 'fade',
    },
    supers: looks(
      {
        face: 'jost',
        size: px(70),
        ground: 'shade',
        place: 'head-left',
        comes: 'fade',
        capitals: true,
      },
      {
        heading: { size: px(76), place: 'foot-left' },
        words: { size: px(60) },
        figures: { size: px(160), place: 'left', capitals: false },
        quote: { size: px(74), place: 'left', capitals: false },
        name: { size: px(59), place: 'foot-left', capitals: false },
        key: { size: px(120), place: 'middle' },
        call: { size: px(46), ground: 'plate', place: 'head-right', capitals: false },
      },
    ),
    card: { face: 'jost', size: px(72) },
  },
  cards: CARDS,
  film: {
    mood: 'solemn',
    rhythm: 'calm',
    transition: { kind: 'dissolve', samples: 24_000 },
  },
}

const bright: HouseStyle = {
  id: 'bright',
  name: 'Bright upright',
  version: 1,
  lettering: {
    palette: {
      light: '#ffffff',
      shade: '#0d0d0d',
      paper: '#ffd60a',
      ink: '#121212',
      accent: '#ffd60a',
    },
    subtitle: { ...SUBTITLE_PRESETS.three.style, size: px(70) },
    supers: looks(
      {
        face: 'archivo-black',
        size: px(72),
        ground: 'plate',
        place: 'head',
        comes: 'pop',
        capitals: true,
      },
      {
        heading: { size: px(80), place: 'head' },
        words: {},
        figures: { size: px(170), place: 'head', ground: 'shade' },
        quote: { size: px(67), place: 'head', capitals: false },
        name: { size: px(56), place: 'head-left', capitals: false },
        key: { size: px(130), place: 'head' },
        call: { size: px(49), place: 'head-right', capitals: false },
      },
    ),
    card: { face: 'archivo-black', size: px(84) },
  },
  cards: CARDS,
  film: { mood: 'bright', rhythm: 'brisk' },
}

const archive: HouseStyle = {
  id: 'archive',
  name: 'Archive print',
  version: 1,
  lettering: {
    palette: {
      light: '#f6efdf',
      shade: '#1c1610',
      paper: '#e9dfc8',
      ink: '#2b241b',
      accent: '#a33b20',
    },
    subtitle: {
      ...PLAIN_SUBTITLE,
      face: 'courier-prime',
      size: px(50),
      colour: '#2b241b',
      ground: 'lines',
      groundColour: '#e9dfc8',
      strength: 0.94,
    },
    supers: looks(
      {
        face: 'league-gothic',
        size: px(96),
        ground: 'plate',
        place: 'head-left',
        comes: 'typed',
        capitals: true,
      },
      {
        heading: { size: px(120), place: 'foot-left' },
        words: { size: px(88) },
        figures: { size: px(190), place: 'left', comes: 'rise' },
        quote: { face: 'courier-prime', size: px(67), place: 'left', capitals: false },
        name: { face: 'courier-prime', size: px(56), place: 'foot-left', capitals: false },
        key: { size: px(150), place: 'middle' },
        call: { face: 'courier-prime', size: px(46), place: 'head-right', capitals: false },
      },
    ),
    card: { face: 'league-gothic', size: px(120) },
  },
  cards: CARDS,
  film: { mood: 'warm', rhythm: 'calm', transition: { kind: 'dip', samples: 19_200 } },
}

/** Styles to start from, each a look of its own, all from shipped faces. */
export const HOUSE_STYLES: readonly HouseStyle[] = [CALM, newspaper, board, night, bright, archive]
