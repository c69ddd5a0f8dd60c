import pg from 'pg'
import type { Sequelize } from 'sequelize'
import { z } from 'zod'
import { jsonAs } from '@tidy-reel/core/text/json'

const CHANNEL = 'tidy_events'

/** What the browser is told: something about an episode changed; it fetches what it needs. */
const EpisodeEvent = z.object({
  episodeId: z.string(),
  kind: z.enum(['document', 'prepare', 'proxy', 'render', 'recording']),
  /** Small facts that save a fetch, such as a render's progress. */
  data: z.unknown().optional(),
})
export type EpisodeEvent = z.infer<typeof EpisodeEvent>

/** Tells every process that listens on the same database. */
export async function announce(sequelize: Sequelize, event: EpisodeEvent): Promise<void> {
  await sequelize.query('select pg_notify($channel, $event)', {
    bind: { channel: CHANNEL, event: JSON.stringify(event) },
  })
}

export interface EventHub {
  follow(episodeId: string, hear: (event: EpisodeEvent) => void): () => void
  close(): Promise<void>
}

/** Listens to the database and hands events to whoever follows an episode. */
export async function eventHub(database: string): Promise<EventHub> {
  const followers = new Set<{ episodeId: string; hear: (event: EpisodeEvent) => void }>()
  const client = new pg.Client({ connectionString: database })
  client.on('notification', ({ payload }) => {
    const event = jsonAs(payload ?? '', EpisodeEvent)
    if (!event) return
    for (const follower of followers)
      if (follower.episodeId === event.episodeId) follower.hear(event)
  })
  client.on('error', () => process.exit(1))
  await client.connect()
  await client.query(`listen ${CHANNEL}`)
  return {
    follow(episodeId, hear) {
      const follower = { episodeId, hear }
      followers.add(follower)
      return () => followers.delete(follower)
    },
    close: () => client.end(),
  }
}
