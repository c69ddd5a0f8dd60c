import type { EpisodeRow } from '@tidy-reel/core/views/episode'

/** The list as it was last seen on this page. */
export const kept: { rows: readonly EpisodeRow[] | undefined } = { rows: undefined }
