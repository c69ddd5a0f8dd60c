import type { EpisodeRow } from '@tidy-reel/core/views/episode'

/** The list as it was last seen on this page, and the episode that was gone into. */
export const kept: { rows: readonly EpisodeRow[] | undefined; into: string | undefined } = {
  rows: undefined,
  into: undefined,
}
