import { z } from 'zod'

/** What a film can be handed over as, beside the film itself. */
interface CopyKind {
  label: string
  mime: string
  ending: string
  /** It can be made no larger than so many megabytes. */
  fits?: true
  /** Seconds of the film it shows at most; without, all of it. */
  longest?: number
  /** It has no picture. */
  isSound?: true
  /** It is one frame. */
  isStill?: true
}

/** In the order they are offered. */
export const COPY_KINDS = {
  mp4: { label: 'MP4, H.264', mime: 'video/mp4', ending: 'mp4', fits: true },
  hevc: { label: 'MP4, H.265', mime: 'video/mp4', ending: 'mp4', fits: true },
  webm: { label: 'WebM, VP9 and Opus', mime: 'video/webm', ending: 'webm', fits: true },
  av1: { label: 'WebM, AV1 and Opus', mime: 'video/webm', ending: 'webm' },
  mov: { label: 'MOV, VC-3, to be edited further', mime: 'video/quicktime', ending: 'mov' },
  gif: { label: 'GIF of a stretch', mime: 'image/gif', ending: 'gif', longest: 20 },
  webp: { label: 'WebP of a stretch', mime: 'image/webp', ending: 'webp', longest: 30 },
  still: { label: 'A frame, PNG', mime: 'image/png', ending: 'png', isStill: true },
  wav: { label: 'Sound, WAV', mime: 'audio/wav', ending: 'wav', isSound: true },
  flac: { label: 'Sound, FLAC', mime: 'audio/flac', ending: 'flac', isSound: true },
  mp3: { label: 'Sound, MP3', mime: 'audio/mpeg', ending: 'mp3', isSound: true },
} as const satisfies Record<string, CopyKind>
export type CopyKindName = keyof typeof COPY_KINDS
export const COPY_NAMES = Object.keys(COPY_KINDS) as [CopyKindName, ...CopyKindName[]]
export const copyKind = (kind: CopyKindName): CopyKind => COPY_KINDS[kind]

/** Lines of a film's shorter side that copies are offered in. */
export const COPY_LINES = [2160, 1440, 1080, 720, 480, 360, 240] as const

const seconds = z
  .number()
  .min(0)
  .max(6 * 3600)

/** A copy of a finished film, as it is asked for. */
export const CopyWish = z
  .object({
    kind: z.enum(COPY_NAMES),
    /** Of the shorter side; left out, as many as the film has. */
    lines: z.number().int().min(90).max(2160).multipleOf(2).optional(),
    /** Of the film, in seconds; left out, from its beginning and to its end. */
    from: seconds.optional(),
    to: seconds.optional(),
    /** The file is no larger: 1 is 1,000,000 bytes. */
    megabytes: z.number().min(0.1).max(100_000).optional(),
  })
  .superRefine((wish, context) => {
    const { fits, longest, isSound } = copyKind(wish.kind)
    const refuse = (message: string) => context.addIssue({ code: 'custom', message })
    const { from = 0, to, megabytes, lines } = wish
    if (to !== undefined && to <= from) refuse('a stretch ends after it begins')
    if (longest && (to === undefined || to - from > longest))
      refuse(`a ${wish.kind} shows a stretch of at most ${longest} seconds`)
    if (megabytes && !fits) refuse(`a ${wish.kind} cannot be made to a size`)
    if (lines && isSound) refuse('sound has no lines')
  })
export type CopyWish = z.infer<typeof CopyWish>

const tenths = (n: number) => String(Math.round(n * 10) / 10).replace('.', '_')

/**
 * What a copy's file is called: alike for the same wish.
 *
 * @example copyName({ kind: 'webm', lines: 720 }) // => 'copy-webm-720.webm'
 */
export function copyName({ kind, lines, from, to, megabytes }: CopyWish): string {
  const parts = [
    'copy',
    kind,
    ...(lines ? [String(lines)] : []),
    ...(from ? [`from${tenths(from)}`] : []),
    ...(to ? [`to${tenths(to)}`] : []),
    ...(megabytes ? [`${tenths(megabytes)}mb`] : []),
  ]
  return `${parts.join('-')}.${copyKind(kind).ending}`
}

/** Of a copy's file: nothing else is served under its address. */
export const CopyName = z.string().regex(/^copy-[a-z0-9_-]{1,80}\.[a-z0-9]{3,4}$/)

/** Copies one film may have. */
export const COPIES_LIMIT = 40

/** A copy, and how far it is. */
export const FilmCopy = z.object({
  /** Under which it lies beside the film. */
  name: CopyName,
  wish: CopyWish,
  state: z.enum(['queued', 'running', 'done', 'failed']),
  /** 0 to 1. */
  done: z.number(),
  /** Once it is there. */
  bytes: z.number().optional(),
  /** Why there is none. */
  fault: z.string().optional(),
})
export type FilmCopy = z.infer<typeof FilmCopy>

export const copyMime = (name: string): string =>
  Object.values(COPY_KINDS).find(({ ending }) => name.endsWith(`.${ending}`))?.mime ??
  'application/octet-stream'
