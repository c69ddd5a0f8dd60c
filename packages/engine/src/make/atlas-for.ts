import type { Film } from '@tidy-reel/core/document/film-scenes'
import { needsAtlas } from '@tidy-reel/core/film/film-letters'
import type { Atlas } from '@tidy-reel/core/film/maps/atlas'

/** The world, where a film has a map: over a megabyte, loaded once and only then. */
export const atlasFor = async (film: Film): Promise<Atlas | undefined> =>
  needsAtlas(film) ? (await import('@tidy-reel/core/film/maps/world')).WORLD : undefined
