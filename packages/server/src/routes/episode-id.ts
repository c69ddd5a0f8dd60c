import { z } from 'zod'

/** The part of a path that names an episode. */
export const EpisodeId = z.object({ id: z.uuid() })
