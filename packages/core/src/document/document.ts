import { z } from 'zod'
import { Depiction } from '../pictures/depiction.ts'
import { Grade, PLAIN_GRADE } from '../pictures/grade/grade.ts'
import { Inlay, INLAYS_LIMIT, Layout, Sign } from '../pictures/inlay.ts'
import { ChosenItem } from '../pictures/item.ts'
import { Move } from '../pictures/view.ts'
import { CALM } from '../style/calm.ts'
import {
  Accents,
  DIALS,
  MakerStyle,
  Mixing,
  MOODS,
  NO_ACCENTS,
  PLAIN_MIXING,
  PLAIN_SCORE,
  RHYTHMS,
  Score,
} from '../style/film-choices.ts'
import { HouseStyle } from '../style/house-style.ts'
import { Lettering } from '../style/lettering.ts'
import { CUT, Transition } from '../style/transition.ts'
import { Pronunciation } from '../text/pronunciation.ts'
import { SAMPLE_RATE } from '../time/time.ts'
import { Dress } from './dress.ts'
import { PLAIN_SUBTITLING, Subtitling } from './subtitling.ts'
import { EMPHASES, FINISHES, PauseFactor, Speed } from './voicing.ts'

/** Pictures a scene may have, by hand: a sentence of 25 seconds at two seconds each. */
export const SHOTS_LIMIT = 12

/** A clip's own sound, let through. */
export const HeardClip = z.object({
  /** Decibels more or less than sounds that go on have by themselves. */
  db: z.number().min(-30).max(30),
  /** Seconds it comes and goes in. */
  fade: z.number().min(0).max(10),
})
export type HeardClip = z.infer<typeof HeardClip>
/** As it is let through first. */
export const PLAINLY_HEARD: HeardClip = { db: 0, fade: 0.5 }

/** How a picture comes to the film's shape: it fills it, or stands in it whole. */
export const FITS = ['fill', 'whole'] as const
export type Fit = (typeof FITS)[number]

/** One picture of a scene. Without an item the film shows a plain card in its place. */
export const Shot = z.object({
  item: ChosenItem.nullable(),
  /** Who chose it: what a person chose is never replaced by matching. */
  by: z.enum(['match', 'hand']),
  /**
   * The word of the narration it begins at, counted from 0; left out, the scene is shared evenly.
   */
  word: z.number().int().positive().optional(),
  /** Samples of a clip left out at its beginning. */
  slip: z
    .number()
    .int()
    .positive()
    .max(3600 * SAMPLE_RATE)
    .optional(),
  /** How fast a clip runs; left out, as it was taken. */
  speed: z.number().min(0.25).max(4).optional(),
  /** Left out, a still moves by itself and a clip is seen whole. */
  frame: Move.optional(),
  /** Left out, it fills the film, or stands whole where that would lose what it shows. */
  fit: z.enum(FITS).optional(),
  /** Left out, the film's own. */
  transition: Transition.optional(),
  /** Left out, its picture fills the film's. */
  layout: Layout.optional(),
  /** Left out, a clip is silent. */
  heard: HeardClip.optional(),
  /** Its colours, on top of the film's. */
  grade: Grade.optional(),
})
export type Shot = z.infer<typeof Shot>

/** Where a scene's picture begins; each is told below. */
export const BEGINNINGS = ['cut', 'early', 'hold'] as const
/**
 * Where a scene's picture begins: with the scene (`cut`), under the last word of the scene before
 * (`early`), or the picture of the scene before goes on in place of its first (`hold`).
 */
export const Beginning = z.object({
  how: z.enum(BEGINNINGS),
  /** Who decided: what a person decided is never decided anew by matching. */
  by: z.enum(['match', 'hand']),
  /** The scene before when matching decided; with another one before it, it means nothing. */
  after: z.string().min(1).max(40).optional(),
})
export type Beginning = z.infer<typeof Beginning>

/** The longest a scene may be held or followed by silence. */
export const LENGTH_LIMIT = 300 * SAMPLE_RATE

const VoiceId = z.string().min(1).max(80)
/** A name in capital letters, as it stands before a colon in the script. */
export const SpeakerName = z
  .string()
  .trim()
  .regex(/^\p{Lu}[\p{Lu}\p{N} .'’-]{1,30}$/u, 'a name in capital letters, 2 to 31 long')

/** How a film is spoken, beside its voice and pace. */
export const Speaking = z.object({
  finish: z.enum(FINISHES),
  pauses: PauseFactor,
  /**
   * The longest silence left inside a take, in seconds; null leaves all, and breaths and fillers of
   * a recording too.
   */
  tighten: z.number().min(0.1).max(2).nullable(),
  /**
   * The voice that speaks a scene whose own voice fails; null: the scene stays silent and says so.
   */
  understudy: VoiceId.nullable(),
  /** Voices of the script's speakers; one without an entry speaks with the film's voice. */
  speakers: z.array(z.object({ name: SpeakerName, voice: VoiceId })).max(40),
  /** Over those of the channel. */
  pronunciations: z.array(Pronunciation).max(500),
})
export type Speaking = z.infer<typeof Speaking>
export const PLAIN_SPEAKING: Speaking = {
  finish: 'documentary',
  pauses: 1,
  tighten: null,
  understudy: null,
  speakers: [],
  pronunciations: [],
}

/**
 * A take a person chose for a scene: a recording, or one that was spoken before. It lapses when the
 * narration changes.
 */
export const ChosenTake = z.object({
  hash: z.string().regex(/^[0-9a-f]{32}$/),
  text: z.string().min(1),
})
export type ChosenTake = z.infer<typeof ChosenTake>

/** What is offered to be seen in a scene; it lapses when the narration changes. */
export const OfferedDepiction = Depiction.extend({
  /** The narration it was thought out for. */
  text: z.string().min(1),
  /** Pictures that its words found when it came; 0 where there is none. */
  finds: z.number().int().min(0),
})
export type OfferedDepiction = z.infer<typeof OfferedDepiction>

export const Scene = z.object({
  id: z.string().min(1).max(40),
  /** Narration; always what `parseScript` reads at this place of the script. */
  text: z.string().min(1),
  /** Its own pictures; while another goes on in place of the first, that one waits. */
  shots: z.array(Shot).max(SHOTS_LIMIT),
  /** Laid over its pictures, later ones over earlier ones. */
  inlays: z.array(Inlay).min(1).max(INLAYS_LIMIT).optional(),
  /** How what is written on it looks, if not as in the film. */
  dress: Dress.optional(),
  /** Left out: with the scene, unless matching decides otherwise. */
  begins: Beginning.optional(),
  /** Left out of the film, kept on the sheet. */
  hidden: z.literal(true).optional(),
  /** Samples it lasts whatever its voice, which is never cut; left out, its voice decides. */
  length: z.number().int().positive().max(LENGTH_LIMIT).optional(),
  /** Speaks this scene in place of its speaker's voice. */
  voice: VoiceId.optional(),
  /** How fast against the film's own pace. */
  pace: Speed.optional(),
  emphasis: z.enum(EMPHASES).optional(),
  take: ChosenTake.optional(),
  /** What a service would show; taken, it stands in the script as a direction. */
  depiction: OfferedDepiction.optional(),
})
export type Scene = z.infer<typeof Scene>

/** A scene before or after the narration with words on a plain card. */
export const Card = z.object({
  shown: z.boolean(),
  /** Null: as the house style words it. */
  text: z.string().max(300).nullable(),
  samples: z
    .number()
    .int()
    .min(SAMPLE_RATE)
    .max(60 * SAMPLE_RATE),
})
export type Card = z.infer<typeof Card>

export const CLAIM_MARKS = ['unsure', 'checked', 'wrong'] as const
export type ClaimMark = (typeof CLAIM_MARKS)[number]

/**
 * What a person found out about something the narration claims. It is known by its words and their
 * sentence: where either changes, it is to be checked anew.
 */
export const CheckedClaim = z.object({
  sentence: z.string().min(1).max(2000),
  words: z.string().min(1).max(400),
  mark: z.enum(CLAIM_MARKS),
  /** Where it is said: a title, an address, a page. */
  source: z.string().max(2000),
  /** Who marked it. */
  by: z.string().max(120),
})
export type CheckedClaim = z.infer<typeof CheckedClaim>

/** A remark beside the script; it stays with the words it was made on. */
export const Comment = z.object({
  id: z.string().min(1).max(40),
  /** The words it was made on, as the script had them. */
  on: z.string().min(1).max(400),
  text: z.string().min(1).max(4000),
  by: z.string().max(120),
  done: z.boolean(),
})
export type Comment = z.infer<typeof Comment>

/** Why a person does not want a picture. */
export const REFUSALS = ['sense', 'place', 'ugly', 'seen', 'people', 'style'] as const
export type RefusalReason = (typeof REFUSALS)[number]
/** Those that say nothing of one film: who turned a picture down for them wants it in none. */
export const REFUSED_EVERYWHERE: readonly RefusalReason[] = ['ugly', 'style']

/** A picture that is not wanted in this film, or for what one sentence says. */
export const Refusal = z.object({
  item: ChosenItem,
  reason: z.enum(REFUSALS),
  /** The sentence it was offered for, and which of its words it has. */
  sentence: z.string().max(2000),
  words: z.array(z.string().max(80)).max(20),
})
export type Refusal = z.infer<typeof Refusal>

/** What a person told matching. */
export const Matching = z.object({
  /** What a noun means in this film, by WordNet's offset of the sense. */
  senses: z
    .array(z.object({ noun: z.string().min(1).max(80), sense: z.string().regex(/^\d{8}$/) }))
    .max(500),
  refusals: z.array(Refusal).max(5000),
})
export type Matching = z.infer<typeof Matching>
export const NOTHING_TOLD: Matching = { senses: [], refusals: [] }

/** How pictures are chosen for this film. */
export const Picking = z.object({
  rhythm: z.enum(RHYTHMS),
  /** Stills among its pictures, from none (0) to all (1); null: whichever fit best. */
  stills: z.number().min(0).max(1).nullable(),
  /** Seconds a scene shows one picture at most; a longer one gets several. */
  longest: z.number().min(2).max(30),
  /** Sources that nothing is taken from, by `sourceName`. */
  without: z.array(z.string().min(1).max(200)).max(50),
})
export type Picking = z.infer<typeof Picking>
/** Eight seconds: 10 to 15 are the most that common practice leaves on a still. */
export const PLAIN_PICKING: Picking = {
  rhythm: 'usual',
  stills: null,
  longest: 8,
  without: [],
}

/** How pictures are made for this film where none is found: all of them in one style. */
export const Making = z.object({
  style: MakerStyle,
  /** What no picture may show, parted by commas. */
  without: z.string().max(500),
})
export type Making = z.infer<typeof Making>
export const PLAIN_MAKING: Making = { style: 'paper', without: '' }

/** Twice what one person may come to write, so that two can at once. */
export const NOTES_LIMIT = 40_000

const Stretch = z.object({ from: z.number().int().min(0), to: z.number().int().min(0) })

/**
 * Two versions of the same words, written by two people at once: both stand in the script, one
 * after the other, until one of them settles it. Characters of the script; a version is empty where
 * one of the two took the words out.
 */
export const Conflict = z.object({
  id: z.string().min(1).max(40),
  /** What was there first. */
  first: Stretch,
  second: Stretch,
})
export type Conflict = z.infer<typeof Conflict>

export const Drawing = z.object({
  dial: z.enum(DIALS),
  /** What is not wanted, and nothing that is like it (`DrawnOffer.like`). */
  refused: z.array(z.string().min(1).max(80)).max(500),
})
export type Drawing = z.infer<typeof Drawing>
export const NOTHING_DRAWN: Drawing = { dial: 'none', refused: [] }

/** All that a person decides about a film. Everything else is derived from it. */
export const Document = z.object({
  version: z.literal(15),
  title: z.string().min(1).max(200),
  /** The narration with its markup: the one truth of what is said and shown in which order. */
  script: z.string(),
  voice: VoiceId,
  /** 1 = the voice's own pace. */
  speed: Speed,
  speaking: Speaking,
  mood: z.enum(MOODS),
  mixing: Mixing,
  /** Who plays its music, and how. */
  score: Score,
  /** Sounds that come by themselves. */
  accents: Accents,
  /** Colours of all its pictures. */
  grade: Grade,
  /** The house style it follows, as it was when it was last taken over. */
  style: HouseStyle,
  /** How what is written and drawn on it looks: the style's, with what was set by hand. */
  lettering: Lettering,
  /** The channel's mark on the picture: the style's, or set by hand. */
  sign: Sign.nullable(),
  subtitling: Subtitling,
  drawing: Drawing,
  /** Of the channel and of the film that comes next, for the words of cards. */
  channel: z.string().max(120),
  next: z.string().max(200),
  /** At every cut that has none of its own. */
  transition: Transition,
  cards: z.object({ opening: Card, closing: Card }),
  scenes: z.array(Scene),
  matching: Matching,
  picking: Picking,
  making: Making,
  /** How long the film is wished to be; null while nobody has said. */
  wantedMinutes: z.number().min(0.5).max(60).nullable(),
  /** What the film is to be about and what came along with its idea; never spoken. */
  notes: z.string().max(NOTES_LIMIT),
  claims: z.array(CheckedClaim).max(5000),
  comments: z.array(Comment).max(1000),
  conflicts: z.array(Conflict).max(5000),
  /** Number of the next new scene or conflict, so that ids never come back. */
  nextId: z.number().int().positive(),
})
export type Document = z.infer<typeof Document>

export const DEFAULT_VOICE = 'flite-slt'

/**
 * What a film is called while nobody has called it anything: it says nothing of what it is about.
 */
export const UNTITLED = 'Untitled episode'

/**
 * @param title 1 to 200 characters
 * @returns without script or scenes, everything else as most films have it
 */
export function emptyDocument(title: string): Document {
  const card = { shown: false, text: null, samples: 4 * SAMPLE_RATE }
  return {
    version: 15,
    title,
    script: '',
    voice: DEFAULT_VOICE,
    speed: 1,
    speaking: PLAIN_SPEAKING,
    mood: 'calm',
    mixing: PLAIN_MIXING,
    score: PLAIN_SCORE,
    accents: NO_ACCENTS,
    grade: PLAIN_GRADE,
    style: CALM,
    lettering: CALM.lettering,
    sign: null,
    subtitling: PLAIN_SUBTITLING,
    drawing: NOTHING_DRAWN,
    channel: '',
    next: '',
    transition: CUT,
    cards: { opening: card, closing: card },
    scenes: [],
    matching: NOTHING_TOLD,
    picking: PLAIN_PICKING,
    making: PLAIN_MAKING,
    wantedMinutes: null,
    notes: '',
    claims: [],
    comments: [],
    conflicts: [],
    nextId: 1,
  }
}

/**
 * A document as an earlier version kept it, in today's form; anything else as it is.
 *
 * @returns in the form of today, not yet parsed; anything that is no document unchanged
 */
export function upgraded(stored: unknown): unknown {
  if (typeof stored !== 'object' || stored === null || !('version' in stored)) return stored
  if (stored.version === 2)
    return upgraded({
      ...stored,
      version: 3,
      wantedMinutes: null,
      notes: '',
      claims: [],
      comments: [],
    })
  if (stored.version === 3) return upgraded({ ...stored, version: 4, speaking: PLAIN_SPEAKING })
  if (stored.version === 4) return upgraded({ ...stored, version: 5, matching: NOTHING_TOLD })
  if (stored.version === 5) return upgraded({ ...stored, version: 6, making: PLAIN_MAKING })
  if (stored.version === 6) return upgraded({ ...stored, version: 7, picking: PLAIN_PICKING })
  if (stored.version === 7) return upgraded({ ...stored, version: 8, conflicts: [] })
  if (stored.version === 8) {
    const picking = 'picking' in stored && typeof stored.picking === 'object' ? stored.picking : {}
    return upgraded({
      ...stored,
      version: 9,
      picking: { rhythm: PLAIN_PICKING.rhythm, ...picking },
    })
  }
  if (stored.version === 9)
    return upgraded({
      ...stored,
      version: 10,
      style: CALM,
      lettering: CALM.lettering,
      subtitling: PLAIN_SUBTITLING,
      drawing: NOTHING_DRAWN,
      channel: '',
      next: '',
    })
  if (stored.version === 10) return upgraded({ ...stored, version: 11, sign: null })
  if (stored.version === 11) return upgraded({ ...stored, version: 12, mixing: PLAIN_MIXING })
  if (stored.version === 12) {
    const score = { instruments: null, without: [] }
    return upgraded({ ...stored, version: 13, score })
  }
  if (stored.version === 13) {
    const score = 'score' in stored && typeof stored.score === 'object' ? stored.score : {}
    return upgraded({
      ...stored,
      version: 14,
      score: { ...PLAIN_SCORE, ...score },
      accents: NO_ACCENTS,
    })
  }
  if (stored.version === 14) return { ...stored, version: 15, grade: PLAIN_GRADE }
  return stored
}
