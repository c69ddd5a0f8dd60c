import { z } from 'zod'

export const MOODS = [
  'calm',
  'warm',
  'bright',
  'solemn',
  'curious',
  'playful',
  'dreamy',
  'night',
  'wistful',
  'tense',
  'busy',
  'grand',
  'none',
] as const
export type Mood = (typeof MOODS)[number]

/** Parts music is played by; any of them can be left out. */
export const MUSIC_PARTS = [
  'pad',
  'keys',
  'plucked',
  'strings',
  'bass',
  'percussion',
  'lead',
] as const
export type MusicPart = (typeof MUSIC_PARTS)[number]

/** Who leads: the part whose notes move. */
export const INSTRUMENTATIONS = ['keys', 'plucked', 'strings'] as const
export type Instrumentation = (typeof INSTRUMENTATIONS)[number]

/** How much moves in music. */
export const FULLNESSES = ['calmer', 'usual', 'fuller'] as const
export type Fullness = (typeof FULLNESSES)[number]

/** Music that a person has brought, by the hash of its file. */
export const OwnMusicId = z.string().regex(/^music-[0-9a-f]{32}$/)

/** Who plays a film's music, and how. */
export const Score = z.object({
  /** Played in place of music that is made; where it is not there any more, music is made. */
  own: OwnMusicId.nullable(),
  /** Null: as the film's title has it. */
  instruments: z.enum(INSTRUMENTATIONS).nullable(),
  /** Parts that are left out. */
  without: z.array(z.enum(MUSIC_PARTS)).max(MUSIC_PARTS.length),
  fullness: z.enum(FULLNESSES),
  /** The tune plays while somebody speaks too; else only where nobody does. */
  sings: z.boolean(),
  /** Seconds the music plays alone before the first word, and after the last. */
  opens: z.number().min(0).max(10),
  closes: z.number().min(0).max(20),
})
export type Score = z.infer<typeof Score>
export const PLAIN_SCORE: Score = {
  own: null,
  instruments: null,
  without: [],
  fullness: 'usual',
  sings: false,
  opens: 0,
  closes: 0,
}

/** Sounds that come by themselves, under what is seen: at transitions, and where a card comes. */
export const Accents = z.object({ transitions: z.boolean(), cards: z.boolean() })
export type Accents = z.infer<typeof Accents>
export const NO_ACCENTS: Accents = { transitions: false, cards: false }

/** How quickly pictures change. */
export const RHYTHMS = ['calm', 'usual', 'brisk'] as const
export type Rhythm = (typeof RHYTHMS)[number]

/** How much of what a film says is drawn without being asked for. */
export const DIALS = ['none', 'few', 'some', 'many'] as const

/** Loudness of a finished film: the large video sites, some others (common practice), EBU R 128. */
export const FILM_TARGETS = [-14, -16, -23] as const

/** How music, voice and the whole film stand to each other. */
export const Mixing = z.object({
  /** Decibels the music lies below the voice while somebody speaks. */
  below: z.number().min(6).max(40),
  /** Decibels it rises where nobody speaks. */
  rise: z.number().min(0).max(15),
  /** Integrated loudness of the film, LUFS. */
  lufs: z.literal(FILM_TARGETS),
})
export type Mixing = z.infer<typeof Mixing>
/**
 * WCAG 2.2 SC 1.4.7 asks for 20 dB between speech and what lies behind it; a little more, to be
 * sure of it. The rise: by ear.
 */
export const PLAIN_MIXING: Mixing = { below: 22, rise: 9, lufs: -14 }

/** The style of made pictures, of those the maker has. */
export const MakerStyle = z.string().regex(/^[a-z][a-z0-9-]{0,40}$/)
