import { z } from 'zod'
import { PLACES } from '../pictures/place.ts'
import { defined } from '../text/defined.ts'
import { FaceId } from './faces.ts'
import { joinedFaces, OWN_FACES_LIMIT, OwnFace } from './own-face.ts'

/** `#RRGGBB`. */
export const Colour = z.string().regex(/^#[0-9a-f]{6}$/i, 'a colour such as #b8432f')

/** The few colours of a film. */
export const Palette = z.object({
  /** Letters that stand on pictures. */
  light: Colour,
  /** Their edge, and the shade behind them. */
  shade: Colour,
  /** Plates and cards, and what stands on them. */
  paper: Colour,
  ink: Colour,
  /** What is to be seen first: a spoken word, a bar, a ring. */
  accent: Colour,
})
export type Palette = z.infer<typeof Palette>

export const ENTRANCES = ['none', 'fade', 'rise', 'pop', 'typed'] as const
export type Entrance = (typeof ENTRANCES)[number]

/**
 * How subtitles stand out from the picture: an edge and, where the picture is too light for it, a
 * soft shade; an edge alone; a box around each line; one plate for all; always a shade; nothing.
 */
export const SUBTITLE_GROUNDS = ['fitting', 'edge', 'lines', 'plate', 'shade', 'none'] as const
/** How many words are seen at once. */
export const WORDS_AT_ONCE = ['cue', 'line', 'three', 'one'] as const
/** How the word that is being spoken is marked. */
export const SPOKEN_MARKS = ['none', 'colour', 'box', 'underline', 'size'] as const

export const SubtitleStyle = z.object({
  face: FaceId,
  /** Of a line, in shares of the picture's shorter side. */
  size: z.number().min(0.025).max(0.25),
  colour: Colour,
  capitals: z.boolean(),
  ground: z.enum(SUBTITLE_GROUNDS),
  groundColour: Colour,
  /** Of the ground: 1 hides the picture behind it. */
  strength: z.number().min(0).max(1),
  place: z.enum(PLACES),
  /** From the edge it stands at, in shares of the picture's height. */
  height: z.number().min(0.05).max(0.45),
  lines: z.union([z.literal(1), z.literal(2)]),
  words: z.enum(WORDS_AT_ONCE),
  spoken: z.enum(SPOKEN_MARKS),
  spokenColour: Colour,
  comes: z.enum(ENTRANCES),
})
export type SubtitleStyle = z.infer<typeof SubtitleStyle>

/** What a super stands on: a plate of paper, a soft shade, its letters' own edge. */
export const SUPER_GROUNDS = ['plate', 'shade', 'edge'] as const
export const SuperLook = z.object({
  face: FaceId,
  /** Of its largest letters, in shares of the picture's shorter side. */
  size: z.number().min(0.03).max(0.4),
  ground: z.enum(SUPER_GROUNDS),
  place: z.enum(PLACES),
  comes: z.enum(ENTRANCES),
  capitals: z.boolean(),
})
export type SuperLook = z.infer<typeof SuperLook>

export const SuperLookSettings = SuperLook.partial()
export type SuperLookSettings = z.infer<typeof SuperLookSettings>

/** Kinds of supers that are dressed apart. */
export const SUPER_LOOKS = ['heading', 'words', 'figures', 'quote', 'name', 'key', 'call'] as const
export type SuperLookName = (typeof SUPER_LOOKS)[number]

/** How everything that is written or drawn on a film looks. */
export const Lettering = z.object({
  palette: Palette,
  subtitle: SubtitleStyle,
  supers: z.object({
    heading: SuperLook,
    words: SuperLook,
    figures: SuperLook,
    quote: SuperLook,
    name: SuperLook,
    key: SuperLook,
    call: SuperLook,
  }),
  /** The face of plain cards. */
  card: z.object({ face: FaceId, size: z.number().min(0.03).max(0.2) }),
  /** Those of one's own that it is set in. */
  faces: z.array(OwnFace).max(OWN_FACES_LIMIT).optional(),
})
export type Lettering = z.infer<typeof Lettering>

/** Settings of lettering; what is left out stays. */
export const LetteringSettings = z.object({
  palette: Palette.partial().optional(),
  subtitle: SubtitleStyle.partial().optional(),
  supers: z.partialRecord(z.enum(SUPER_LOOKS), SuperLookSettings).optional(),
  card: Lettering.shape.card.partial().optional(),
  /** Put beside those that are there. */
  faces: Lettering.shape.faces,
})
export type LetteringSettings = z.infer<typeof LetteringSettings>

/** Lettering with some of it set anew. */
export function withSettings(lettering: Lettering, set: LetteringSettings): Lettering {
  const supers = { ...lettering.supers }
  for (const name of SUPER_LOOKS) {
    const own = set.supers?.[name]
    if (own) supers[name] = { ...supers[name], ...defined(own) }
  }
  const faces = joinedFaces(lettering.faces, set.faces)
  return {
    ...(faces ? { faces } : {}),
    palette: { ...lettering.palette, ...defined(set.palette ?? {}) },
    subtitle: { ...lettering.subtitle, ...defined(set.subtitle ?? {}) },
    supers,
    card: { ...lettering.card, ...defined(set.card ?? {}) },
  }
}
