import { COPY_KINDS, type CopyWish } from '@tidy-reel/core/export/copies'
import { clockText } from '@tidy-reel/core/time/time'

/** What a copy is called among others of its film. */
export function copyTitle({ kind, lines, from, to, megabytes }: CopyWish): string {
  const { label } = COPY_KINDS[kind]
  const place = kind === 'still' ? `at ${clockText(from ?? 0)}` : ''
  const stretch = to === undefined ? place : `${clockText(from ?? 0)} to ${clockText(to)}`
  return [
    label,
    ...(lines ? [`${lines} lines`] : []),
    ...(stretch ? [stretch] : []),
    ...(megabytes ? [`no larger than ${megabytes} MB`] : []),
  ].join(', ')
}

/** A file's size as people say it: 1 MB is 1,000,000 bytes. */
export const megabytesText = (bytes: number): string =>
  bytes < 1e5 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`
