import equal from 'fast-deep-equal'
import type { Mixing } from '../style/film-choices.ts'
import type { HouseStyle } from '../style/house-style.ts'
import { SUPER_LOOKS, type SuperLookName } from '../style/lettering.ts'
import { joinedFaces } from '../style/own-face.ts'
import { type Document, emptyDocument } from './document.ts'

/** A part of a film that a house style decides. */
interface StylePart<Value = unknown> {
  /** As a person reads it. */
  label: string
  /** What a style says of it; undefined where it leaves it alone. */
  of: (style: HouseStyle) => Value | undefined
  in: (document: Document) => Value
  put: (document: Document, value: Value) => Document
}

const part = <Value>(made: StylePart<Value>): StylePart => made as StylePart

const lettering = <Name extends 'palette' | 'subtitle' | 'card'>(name: Name, label: string) =>
  part({
    label,
    of: (style) => style.lettering[name],
    in: (document) => document.lettering[name],
    put: (document, value) => ({
      ...document,
      lettering: { ...document.lettering, [name]: value },
    }),
  })

const superLook = (name: SuperLookName, label: string) =>
  part({
    label,
    of: (style) => style.lettering.supers[name],
    in: (document) => document.lettering.supers[name],
    put: (document, value) => ({
      ...document,
      lettering: {
        ...document.lettering,
        supers: { ...document.lettering.supers, [name]: value },
      },
    }),
  })

const mixing = <Name extends keyof Mixing>(name: Name, label: string) =>
  part({
    label,
    of: ({ film }) => film[name],
    in: ({ mixing: now }) => now[name],
    put: (document, value) => ({ ...document, mixing: { ...document.mixing, [name]: value } }),
  })

const SUPER_LABELS: Record<SuperLookName, string> = {
  heading: 'chapter headings',
  words: 'words on the picture',
  figures: 'figures',
  quote: 'quotations',
  name: 'names',
  key: 'key words',
  call: 'calls',
}

/** Everything a film takes over from its house style, in the order it is shown. */
export const STYLE_PARTS = {
  palette: lettering('palette', 'colours'),
  subtitle: lettering('subtitle', 'subtitles'),
  ...(Object.fromEntries(
    SUPER_LOOKS.map((name) => [name, superLook(name, SUPER_LABELS[name])]),
  ) as Record<SuperLookName, StylePart>),
  card: lettering('card', 'cards'),
  sign: part({
    label: 'sign',
    of: ({ sign }) => sign,
    in: ({ sign }) => sign,
    put: (document, sign) => ({ ...document, sign }),
  }),
  voice: part({
    label: 'voice',
    of: ({ film }) => film.voice,
    in: ({ voice }) => voice,
    put: (document, voice) => ({ ...document, voice }),
  }),
  speed: part({
    label: 'pace',
    of: ({ film }) => film.speed,
    in: ({ speed }) => speed,
    put: (document, speed) => ({ ...document, speed }),
  }),
  pauses: part({
    label: 'pauses',
    of: ({ film }) => film.pauses,
    in: ({ speaking }) => speaking.pauses,
    put: (document, pauses) => ({ ...document, speaking: { ...document.speaking, pauses } }),
  }),
  mood: part({
    label: 'music',
    of: ({ film }) => film.mood,
    in: ({ mood }) => mood,
    put: (document, mood) => ({ ...document, mood }),
  }),
  score: part({
    label: 'who plays the music',
    of: ({ film }) => film.score,
    in: ({ score }) => score,
    put: (document, score) => ({ ...document, score }),
  }),
  accents: part({
    label: 'sounds by themselves',
    of: ({ film }) => film.accents,
    in: ({ accents }) => accents,
    put: (document, accents) => ({ ...document, accents }),
  }),
  grade: part({
    label: 'look',
    of: ({ film }) => film.grade,
    in: ({ grade }) => grade,
    put: (document, grade) => ({ ...document, grade }),
  }),
  below: mixing('below', 'level of the music'),
  rise: mixing('rise', 'music where nobody speaks'),
  lufs: mixing('lufs', 'loudness'),
  transition: part({
    label: 'transition',
    of: ({ film }) => film.transition,
    in: ({ transition }) => transition,
    put: (document, transition) => ({ ...document, transition }),
  }),
  rhythm: part({
    label: 'rhythm',
    of: ({ film }) => film.rhythm,
    in: ({ picking }) => picking.rhythm,
    put: (document, rhythm) => ({ ...document, picking: { ...document.picking, rhythm } }),
  }),
  dial: part({
    label: 'what is drawn',
    of: ({ film }) => film.dial,
    in: ({ drawing }) => drawing.dial,
    put: (document, dial) => ({ ...document, drawing: { ...document.drawing, dial } }),
  }),
  made: part({
    label: 'made pictures',
    of: ({ film }) => film.made,
    in: ({ making }) => making.style,
    put: (document, style) => ({ ...document, making: { ...document.making, style } }),
  }),
  longest: part({
    label: 'longest picture',
    of: ({ film }) => film.longest,
    in: ({ picking }) => picking.longest,
    put: (document, longest) => ({ ...document, picking: { ...document.picking, longest } }),
  }),
} satisfies Record<string, StylePart>
export type StylePartName = keyof typeof STYLE_PARTS
export const STYLE_PART_NAMES = Object.keys(STYLE_PARTS) as [StylePartName, ...StylePartName[]]

const PLAIN = emptyDocument('x')

/** What a film has by a style: what the style says, else what every film has. */
const byStyle = (name: StylePartName, style: HouseStyle): unknown =>
  STYLE_PARTS[name].of(style) ?? STYLE_PARTS[name].in(PLAIN)

/** True where a part of the film is not as its house style has it. */
const differs = (document: Document, name: StylePartName) =>
  !equal(STYLE_PARTS[name].in(document), byStyle(name, document.style))

/**
 * Parts of a film that were set by hand.
 *
 * @returns in the order of `STYLE_PARTS`; `[]` where all is as its style has it
 */
export const ownParts = (document: Document): StylePartName[] =>
  STYLE_PART_NAMES.filter((name) => differs(document, name))

/** What would be another one with a style, of what was not set by hand. */
export const changedParts = (document: Document, style: HouseStyle): StylePartName[] =>
  STYLE_PART_NAMES.filter(
    (name) =>
      !differs(document, name) && !equal(STYLE_PARTS[name].in(document), byStyle(name, style)),
  )

/** A film that follows a style from now on; what was set by hand stays. */
export function withStyle(document: Document, style: HouseStyle): Document {
  const followed = changedParts(document, style).reduce(
    (film, name) => STYLE_PARTS[name].put(film, byStyle(name, style)),
    document,
  )
  return { ...withFacesOf(followed, style), style }
}

/** A film with one part as its style has it. */
export const backToStyle = (document: Document, name: StylePartName): Document =>
  STYLE_PARTS[name].put(withFacesOf(document, document.style), byStyle(name, document.style))

/** A style's own faces come along with whatever of it is taken over. */
function withFacesOf(document: Document, { lettering: { faces: own } }: HouseStyle): Document {
  const faces = joinedFaces(document.lettering.faces, own)
  return faces ? { ...document, lettering: { ...document.lettering, faces } } : document
}

/** A style made of what a film has now. */
export function styleOf(document: Document, named: Pick<HouseStyle, 'id' | 'name'>): HouseStyle {
  const {
    lettering: letters,
    style,
    sign,
    voice,
    speed,
    speaking,
    mood,
    score,
    accents,
    grade,
    transition,
    picking,
    drawing,
    making,
  } = document
  return {
    ...named,
    version: 1,
    lettering: letters,
    cards: {
      opening: document.cards.opening.text ?? style.cards.opening,
      closing: document.cards.closing.text ?? style.cards.closing,
    },
    ...(style.files ? { files: style.files } : {}),
    ...(sign ? { sign } : {}),
    film: {
      voice,
      speed,
      pauses: speaking.pauses,
      mood,
      score,
      accents,
      grade,
      ...document.mixing,
      transition,
      rhythm: picking.rhythm,
      longest: picking.longest,
      dial: drawing.dial,
      made: making.style,
    },
  }
}
