import { z } from 'zod'

/** Numbers that subtitles keep to: common practice, two published guidelines, one's own. */
export const GUIDELINES = ['common', 'bbc', 'dcmp', 'own'] as const
export type GuidelineName = (typeof GUIDELINES)[number]

/** A person's own numbers; times in seconds. */
export const OwnGuideline = z.object({
  charactersPerLine: z.number().int().min(12).max(80),
  charactersPerSecond: z.number().min(5).max(40),
  shortest: z.number().min(0.3).max(3),
  longest: z.number().min(2).max(15),
})
export type OwnGuideline = z.infer<typeof OwnGuideline>

/**
 * Spoken words that are shown in other words: it is kept with them, whatever is cut, moved or spoken
 * anew around them.
 */
export const KeptWords = z.object({
  /** As the narration has them, one after the other. */
  words: z.array(z.string().min(1).max(400)).min(1).max(60),
  /** In their place; a line break stays one; empty shows nothing. */
  shown: z.string().max(1000),
  /** The words next to them where it was written, empty at an end; null wherever they are said. */
  beside: z.object({ before: z.string().max(400), after: z.string().max(400) }).nullable(),
})
export type KeptWords = z.infer<typeof KeptWords>

/** How a change of speakers is told to those who cannot hear it. */
export const SPEAKER_MARKS = ['none', 'dash', 'name'] as const
/** What subtitles tell of what is heard beside the words. */
export const HeardMarks = z.object({
  speakers: z.enum(SPEAKER_MARKS),
  /** The script's sounds, in square brackets. */
  sounds: z.boolean(),
})
export type HeardMarks = z.infer<typeof HeardMarks>

/** BCP 47. */
export const Language = z.string().regex(/^[a-z]{2,3}(?:-[A-Za-z0-9]{2,8}){0,3}$/)

/** Subtitles in another language: a text of its own for each scene. */
export const Track = z.object({
  language: Language,
  texts: z
    .array(
      z.object({
        sceneId: z.string().min(1).max(40),
        text: z.string().min(1).max(4000),
        /** The narration it was written for. */
        of: z.string().max(20_000),
      }),
    )
    .max(5000),
})
export type Track = z.infer<typeof Track>

/** Languages that one film can be read in, beside its own. */
export const TRACKS_LIMIT = 12

/** The most that one film keeps: a subtitle every second for an hour. */
const KEPT_LIMIT = 4000

/** How what is said is shown in words. */
export const Subtitling = z.object({
  guideline: z.enum(GUIDELINES),
  own: OwnGuideline,
  marks: HeardMarks,
  tracks: z.array(Track).max(TRACKS_LIMIT),
  /** The language of the track that is burnt in; empty for what is spoken. */
  burnt: Language.or(z.literal('')),
  kept: z.array(KeptWords).max(KEPT_LIMIT),
})
export type Subtitling = z.infer<typeof Subtitling>

export const PLAIN_SUBTITLING: Subtitling = {
  guideline: 'common',
  own: { charactersPerLine: 42, charactersPerSecond: 17, shortest: 1, longest: 6 },
  marks: { speakers: 'none', sounds: false },
  tracks: [],
  burnt: '',
  kept: [],
}

// Field by field: a database may give them back in another order.
const keyOf = ({ words, beside }: KeptWords) =>
  JSON.stringify([words, beside?.before, beside?.after])

/** What is kept with some put in, in place of what was kept for the same words, and some taken out. */
export function withKept(
  kept: readonly KeptWords[],
  { put, drop }: { put: readonly KeptWords[]; drop: readonly KeptWords[] },
): KeptWords[] {
  const gone = new Set([...put, ...drop].map(keyOf))
  return [...kept.filter((one) => !gone.has(keyOf(one))), ...put].slice(-KEPT_LIMIT)
}
