import pg from 'pg'
import type { Sequelize } from 'sequelize'
import { z } from 'zod'
import { jsonAs } from '@tidy-reel/core/text/json'

const CHANNEL = 'tidy_events'

/**
 * What the browser is told: something about an episode changed; it fetches what it needs. `reload`
 * where it is not known what.
 */
const EpisodeEvent = z.object({
  episodeId: z.string(),
  kind: z.enum(['document', 'prepare', 'proxy', 'render', 'copies', 'recording', 'reload']),
  /** Small facts that save a fetch, such as a render's progress. */
  data: z.unknown().optional(),
})
export type EpisodeEvent = z.infer<typeof EpisodeEvent>

/** PostgreSQL takes 8,000 bytes at once. */
const NOTICE_BYTES = 7_800

/**
 * Tells every process that listens on the same database. News that cannot be told is no reason to
 * end what it is about: who missed it sees the state when next asking for it.
 */
export async function announce(sequelize: Sequelize, event: EpisodeEvent): Promise<void> {
  const whole = JSON.stringify(event)
  const told = Buffer.byteLength(whole) <= NOTICE_BYTES ? whole : shortened(event)
  await sequelize
    .query('select pg_notify($channel, $event)', { bind: { channel: CHANNEL, event: told } })
    .catch((cause: Error) => console.error(`not announced: ${cause.message}`))
}

const shortened = ({ episodeId }: EpisodeEvent) => JSON.stringify({ episodeId, kind: 'reload' })

export interface EventHub {
  follow(episodeId: string, hear: (event: EpisodeEvent) => void): () => void
  /** News of every episode, heard before those who follow one. */
  followAll(hear: (event: EpisodeEvent) => void): void
  close(): Promise<void>
}

/** Pause before listening is taken up again; each further one is twice as long. */
const AGAIN_MS = { first: 300, most: 10_000 }

/**
 * Listens to the database and hands events to whoever follows an episode. A database that goes away
 * is listened to again when it is back; what was told meanwhile is made up for by `reload`.
 */
export async function eventHub(database: string): Promise<EventHub> {
  const followers = new Set<{ episodeId: string; hear: (event: EpisodeEvent) => void }>()
  const overall = new Set<(event: EpisodeEvent) => void>()
  let client: pg.Client | undefined
  let closed = false
  let timer: NodeJS.Timeout | undefined
  let pauseMs = AGAIN_MS.first

  const hand = (event: EpisodeEvent) => {
    for (const hear of overall) hear(event)
    for (const follower of followers)
      if (follower.episodeId === event.episodeId) follower.hear(event)
  }
  async function listen(): Promise<void> {
    const own = new pg.Client({ connectionString: database, keepAlive: true })
    own.on('notification', ({ payload }) => {
      const event = jsonAs(payload ?? '', EpisodeEvent)
      if (event) hand(event)
    })
    own.on('error', () => undefined)
    own.once('end', () => {
      if (own === client) again()
    })
    client = own
    await own.connect()
    await own.query(`listen ${CHANNEL}`)
    pauseMs = AGAIN_MS.first
  }
  function again() {
    if (closed) return
    timer = setTimeout(() => {
      listen().then(
        () =>
          new Set([...followers].map(({ episodeId }) => episodeId)).forEach((episodeId) =>
            hand({ episodeId, kind: 'reload' }),
          ),
        () => again(),
      )
    }, pauseMs)
    pauseMs = Math.min(AGAIN_MS.most, pauseMs * 2)
  }
  await listen()
  return {
    followAll: (hear) => void overall.add(hear),
    follow(episodeId, hear) {
      const follower = { episodeId, hear }
      followers.add(follower)
      return () => followers.delete(follower)
    },
    async close() {
      closed = true
      clearTimeout(timer)
      await client?.end()
    },
  }
}
