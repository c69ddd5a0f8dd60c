import { TidyError } from '../faults/fault.ts'
import type { Document } from './document.ts'
import { type Track, TRACKS_LIMIT } from './subtitling.ts'

const withTracks = (document: Document, tracks: Track[]): Document => ({
  ...document,
  subtitling: { ...document.subtitling, tracks },
})

/**
 * Puts texts of another language beside scenes; an empty one takes a text away. Where the film has
 * no such language yet, it has one from then on.
 *
 * @throws TidyError `tracks_too_many`
 */
export function withTrackTexts(
  document: Document,
  language: string,
  put: readonly { sceneId: string; text: string }[],
): Document {
  const { tracks } = document.subtitling
  const there = tracks.find((track) => track.language === language)
  if (!there && tracks.length >= TRACKS_LIMIT)
    throw new TidyError('tracks_too_many', { limit: TRACKS_LIMIT })
  const narration = new Map(document.scenes.map(({ id, text }) => [id, text]))
  const written = new Map(put.map(({ sceneId, text }) => [sceneId, text.trim()]))
  const left = (there?.texts ?? []).filter(({ sceneId }) => !written.has(sceneId))
  const added = [...written].flatMap(([sceneId, text]) => {
    const of = narration.get(sceneId)
    return text && of !== undefined ? [{ sceneId, text, of }] : []
  })
  const track = { language, texts: [...left, ...added] }
  return withTracks(
    document,
    there ? tracks.map((one) => (one === there ? track : one)) : [...tracks, track],
  )
}

/** A film without subtitles in a language; what is spoken is burnt in where those were. */
export function withoutTrack(document: Document, language: string): Document {
  const { tracks, burnt } = document.subtitling
  const left = withTracks(
    document,
    tracks.filter((track) => track.language !== language),
  )
  return burnt === language ? { ...left, subtitling: { ...left.subtitling, burnt: '' } } : left
}
