import { z } from 'zod'
import { CopyName } from '@tidy-reel/core/export/copies'
import type { JobKind } from './queue.ts'

/**
 * Matching pictures and speaking sentences, whatever of both is not there yet; `first` is the scene
 * that is spoken before the others.
 */
export const PREPARE: JobKind<{ episodeId: string; first?: string | undefined }> = {
  queue: 'episode.prepare',
  input: z.object({ episodeId: z.uuid(), first: z.string().max(40).optional() }),
  retryLimit: 2,
  timeoutSeconds: 1800,
}
/** Small copies of the pictures on the sheet, for the monitor. */
export const PROXIES: JobKind<{ episodeId: string }> = {
  queue: 'episode.proxies',
  input: z.object({ episodeId: z.uuid() }),
  retryLimit: 2,
  timeoutSeconds: 3600,
}
export const RENDER: JobKind<{ renderId: string }> = {
  queue: 'film.render',
  input: z.object({ renderId: z.uuid() }),
  retryLimit: 3,
  timeoutSeconds: 6 * 3600,
}
/** A copy of a finished film, of another kind. */
export const COPY: JobKind<{ renderId: string; name: string }> = {
  queue: 'film.copy',
  input: z.object({ renderId: z.uuid(), name: CopyName }),
  retryLimit: 2,
  timeoutSeconds: 6 * 3600,
}
/** Finding the cuts of a clip somebody brought. */
export const CUTS: JobKind<{ id: string }> = {
  queue: 'picture.cuts',
  input: z.object({ id: z.string().regex(/^own-[0-9a-f]{32}$/) }),
  retryLimit: 2,
  timeoutSeconds: 1800,
}
/** Finding the sentences of an episode in a recording of the whole. */
export const RECORDING: JobKind<{ episodeId: string; recordingId: string }> = {
  queue: 'episode.recording',
  input: z.object({ episodeId: z.uuid(), recordingId: z.string().regex(/^[0-9a-f]{32}$/) }),
  retryLimit: 1,
  timeoutSeconds: 3600,
}
