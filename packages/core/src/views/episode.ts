import { z } from 'zod'
import type { Document } from '../document/document.ts'
import type { FilmCopy } from '../export/copies.ts'
import type { FaultCode } from '../faults/codes.ts'
import type { UnmetMusic } from '../film/music/film-music.ts'
import type { SoundFacts } from '../film/sound/effects/known-sound.ts'
import type { NounSenses, OfferedPicture } from '../match/pick.ts'
import type { FilmShape } from '../render/plan.ts'
import { Progress } from '../render/progress.ts'
import type { FilmReport } from '../render/report.ts'
import type { Pronunciation } from '../text/pronunciation.ts'
import type { TakeFacts } from '../timeline/timeline.ts'
import type { SearchWord } from '../words/search-words.ts'

/** An episode as the list shows it. */
export interface EpisodeRow {
  id: string
  title: string
  scenes: number
  words: number
  /** Estimated length of the film. */
  seconds: number
  state: 'empty' | 'script' | 'matched' | 'rendered'
  /** ISO 8601. */
  updatedAt: string
  /** Id of the first picture. */
  picture: string | null
  /** Put away: out of the list of films in work, nothing else. */
  archived: boolean
  /** ISO 8601; of one in the bin, where it stays for `BIN_DAYS`. */
  deletedAt: string | null
}

/** How long a deleted episode can be brought back. */
export const BIN_DAYS = 30

/** What a film in the making is at. */
export const RENDER_STATES = ['queued', 'running', 'done', 'failed', 'cancelled'] as const
export type RenderState = (typeof RENDER_STATES)[number]

export const RenderProgress = Progress.extend({ remainingSeconds: z.number().nullable() })
export type RenderProgress = z.infer<typeof RenderProgress>

export interface RenderView {
  id: string
  state: RenderState
  shape: FilmShape
  progress: RenderProgress | null
  report: FilmReport | null
  fault: { code: FaultCode; message: string } | null
  /** Of the finished film, in other kinds. */
  copies: FilmCopy[]
  /** ISO 8601. */
  createdAt: string
}

/** What matching found for each scene, by its id: by far the most of what is known of an episode. */
export type EpisodeCandidates = Record<
  string,
  { words: SearchWord[]; picks: OfferedPicture[]; meanings: NounSenses[]; numbers: string[] }
>

/** What the rooms of an episode show beside its candidates: its document and, by scene id, takes. */
export interface EpisodeView {
  id: string
  revision: number
  document: Document
  takes: Record<string, TakeFacts & { hash: string }>
  /** Changes when what matching found does; empty before it has looked. */
  candidatesAt: string
  /** How much longer than the estimate the film's voice speaks. */
  rate: number
  /** The channel's; those of the document go before them. */
  pronunciations: Pronunciation[]
  /** The music under the film, when it has been made. */
  bed: BedFacts | null
  /** Music of the script that nothing fits. */
  unmetMusic: UnmetMusic[]
  /** What the script's sounds stand for, by their words, as far as somebody has looked. */
  sounds: Record<string, SoundFacts | null>
  /** The sound of clips that is let through, by their ids, as far as somebody has listened. */
  clipSounds: Record<string, SoundFacts | null>
  /** Perceptual hashes of the film's pictures that somebody has looked at, by id. */
  hashes: Record<string, string>
  /** Ids of the film's pictures that the monitor can show sharply. */
  proxies: string[]
  renders: RenderView[]
  history: History
}

/** A bed that can be played: `BedLevels` of it, and its sections with the names they are fetched by. */
export const BedFacts = z.object({
  pieces: z.array(
    z.object({
      hash: z.string(),
      at: z.number(),
      /** Where it is silent again. */
      until: z.number(),
      fades: z.tuple([z.number(), z.number()]),
      gain: z.number(),
    }),
  ),
  /** What is played from where to where; own music with the places where it is joined. */
  parts: z.array(
    z.object({
      from: z.number(),
      to: z.number(),
      bars: z.array(z.number()),
      mood: z.string().optional(),
      own: z.string().optional(),
      title: z.string().optional(),
      joins: z.array(z.number()).optional(),
    }),
  ),
  loopSamples: z.number(),
  lufs: z.number(),
  levels: z.array(z.number()),
})
export type BedFacts = z.infer<typeof BedFacts>

/** A take that a scene has or had before. */
export interface SceneTakeView {
  hash: string
  text: string
  voice: string
  kind: 'spoken' | 'recorded'
  samples: number
  /** ISO 8601. */
  usedAt: string
}

/** A version somebody kept under a name. */
export interface VersionView {
  id: string
  name: string
  revision: number
  scenes: number
  /** ISO 8601. */
  createdAt: string
}

/** What the next undo and redo would change; null when there is nothing. */
export interface History {
  undo: string | null
  redo: string | null
}

/** How far choosing pictures and speaking are. */
export const Preparing = z.object({
  step: z.enum(['match', 'speak', 'music', 'done']),
  done: z.number(),
  all: z.number(),
  /** Sentences for a person: a library that is down, a sentence no voice could speak. */
  remarks: z.array(z.string()),
})
export type Preparing = z.infer<typeof Preparing>
