import { z } from 'zod'

export const Source = z.object({
  id: z.string().min(1).max(40),
  title: z.string().trim().min(1).max(300),
  text: z.string().max(400_000),
})
export type Source = z.infer<typeof Source>

/** What a film is to be, and what it may be written from. */
export const Brief = z.object({
  topic: z.string().trim().max(300),
  audience: z.string().max(300),
  tone: z.string().max(300),
  minutes: z.number().min(1).max(60),
  /** Things that must be in it. */
  points: z.array(z.string().trim().min(1).max(300)).max(40),
  sources: z.array(Source).max(30),
  /** Some of the person's own writing. */
  sample: z.string().max(60_000),
})
export type Brief = z.infer<typeof Brief>

export const emptyBrief = (topic: string, minutes: number): Brief => ({
  topic,
  audience: '',
  tone: '',
  minutes,
  points: [],
  sources: [],
  sample: '',
})

export const OutlineChapter = z.object({
  title: z.string().trim().min(1).max(200),
  minutes: z.number().min(0.1).max(60),
  points: z.array(z.string().max(300)).max(40),
})
export type OutlineChapter = z.infer<typeof OutlineChapter>
export const Outline = z.array(OutlineChapter).min(1).max(30)
export type Outline = z.infer<typeof Outline>

/** A sentence of a draft with where it comes from. */
export const DraftSentence = z.object({
  text: z.string().min(1),
  /** Index into the outline; -1 before the first heading. */
  chapter: z.number().int().min(-1),
  /**
   * Sources it stands on, each with the words it was made of; empty: it stands on nothing that was
   * given.
   */
  from: z.array(z.object({ source: z.string(), words: z.string() })),
})
export type DraftSentence = z.infer<typeof DraftSentence>

export const Draft = z.object({
  sentences: z.array(DraftSentence),
  /** What could not be done, plainly. */
  limits: z.array(z.string()),
})
export type Draft = z.infer<typeof Draft>

/** What is kept of an episode's writing. */
export const Writing = z.object({
  brief: Brief,
  outline: Outline.nullable(),
  draft: Draft.nullable(),
})
export type Writing = z.infer<typeof Writing>

/** The writer that is set, without its key; null is the built-in one. */
export interface WriterView {
  service: { address: string; model: string; hasKey: boolean } | null
}
