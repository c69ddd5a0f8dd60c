import { type FileHandle, open } from 'node:fs/promises'
import { type Box, boxesIn, bytesAt } from './mp4-boxes.ts'

/** The bit of a track's flags that says a player shows it unasked. */
const TRACK_ENABLED = 1
/** Kinds of tracks that hold subtitles: those of QuickTime, of 3GPP and of the standard. */
const SUBTITLES = new Set(['sbtl', 'text', 'subt'])

/**
 * Leaves it to the viewer to turn the subtitles of a film on: an MP4 file says so by a track that
 * is not enabled, and ffmpeg enables the first of every kind.
 */
export async function quietSubtitles(file: string): Promise<void> {
  const handle = await open(file, 'r+')
  try {
    const { size } = await handle.stat()
    for (const moov of await boxesIn(handle, 0, size))
      if (moov.type === 'moov')
        for (const trak of await boxesIn(handle, moov.content, moov.end))
          if (trak.type === 'trak') await quietTrack(handle, trak)
  } finally {
    await handle.close()
  }
}

async function quietTrack(handle: FileHandle, trak: Box): Promise<void> {
  const inside = await boxesIn(handle, trak.content, trak.end)
  const header = inside.find(({ type }) => type === 'tkhd')
  const media = inside.find(({ type }) => type === 'mdia')
  if (!header || !media) return
  const hdlr = (await boxesIn(handle, media.content, media.end)).find(({ type }) => type === 'hdlr')
  // Version and flags, four bytes; a reserved word of four; then the kind.
  if (!hdlr || !SUBTITLES.has((await bytesAt(handle, hdlr.content + 8, 4)).toString('latin1')))
    return
  const flags = await bytesAt(handle, header.content + 3, 1)
  flags[0] = flags.readUInt8() & ~TRACK_ENABLED
  await handle.write(flags, 0, 1, header.content + 3)
}
