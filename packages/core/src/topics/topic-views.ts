import { z } from 'zod'
import type { RankedSubject } from './rank-subjects.ts'
import type { OwnedFilm } from './subjects.ts'

export interface WatchedChannel {
  id: string
  name: string
  own: boolean
  films: number
  /** Per cent a month; undefined for too few films. */
  trend?: number
  /** When its figures were last taken. */
  takenAt: string
}

export const IDEA_STATES = ['todo', 'work', 'done'] as const
export const Idea = z.object({
  id: z.uuid(),
  title: z.string().trim().min(1).max(200),
  notes: z.string().max(20_000),
  subject: z.string().max(80),
  state: z.enum(IDEA_STATES),
  episodeId: z.uuid().nullable(),
})
export type Idea = z.infer<typeof Idea>

export interface TopicsView {
  channels: WatchedChannel[]
  films: OwnedFilm[]
  subjects: RankedSubject[]
  ideas: Idea[]
}

/** A channel that the statistics service offers. */
export const OfferedChannel = z.object({
  id: z.string().min(1).max(100),
  name: z.string().min(1).max(200),
  films: z.number().int().min(0),
})
export type OfferedChannel = z.infer<typeof OfferedChannel>
