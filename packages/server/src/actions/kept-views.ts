import { createHash } from 'node:crypto'
import { promisify } from 'node:util'
import { gzip } from 'node:zlib'
import { QueryTypes, type Sequelize } from 'sequelize'
import { TidyError } from '@tidy-reel/core/faults/fault'
import type { EpisodeView } from '@tidy-reel/core/views/episode'
import type { EventHub } from '../events.ts'
import { CANDIDATES_AT } from './candidates.ts'

const packed = promisify(gzip)

/** What lies on disk alone (looks of pictures) may be as old as this. */
const KEPT_MS = 5_000
/** Episodes that people are at; a view has some 40 KB when it is packed. */
const MOST_KEPT = 50

/** An episode as it goes out: JSON, packed once, under the name of its content (RFC 9110, 8.8.3). */
export interface SentView {
  etag: string
  json: string
  gzip: Buffer
}

interface Kept {
  stamp: string
  until: number
  view: Promise<SentView>
}

/**
 * Views of episodes, each made once until something of it changes: many readers cost little more
 * than one. What is in the database is looked up each time; news of all else come over `hub`.
 */
export function keptViews(
  sequelize: Sequelize,
  ownerId: string,
  hub: Pick<EventHub, 'followAll'>,
  make: (id: string) => Promise<EpisodeView>,
) {
  const kept = new Map<string, Kept>()
  hub.followAll(({ episodeId }) => kept.delete(episodeId))
  async function stampOf(id: string): Promise<string> {
    const [row] = await sequelize.query<{ stamp: string }>(STAMP, {
      bind: { id, ownerId },
      type: QueryTypes.SELECT,
    })
    if (!row) throw new TidyError('episode_not_found')
    return row.stamp
  }
  return async (id: string): Promise<SentView> => {
    const stamp = await stampOf(id)
    const known = kept.get(id)
    if (known?.stamp === stamp && known.until > Date.now()) return known.view
    const view = make(id).then(sentView)
    const fresh = { stamp, until: Date.now() + KEPT_MS, view }
    kept.set(id, fresh)
    view.catch(() => kept.get(id) === fresh && kept.delete(id))
    for (const oldest of kept.keys()) {
      if (kept.size <= MOST_KEPT) break
      kept.delete(oldest)
    }
    return view
  }
}
export type KeptViews = ReturnType<typeof keptViews>

async function sentView(view: EpisodeView): Promise<SentView> {
  const json = JSON.stringify(view)
  const name = createHash('sha256').update(json).digest('base64url').slice(0, 27)
  return { etag: `"${name}"`, json, gzip: await packed(json) }
}

/** Everything in the database that a view shows, as a short text. */
const STAMP = `
  select concat_ws(' ', revision,
    (select max(updated_at) from renders where episode_id = episodes.id),
    (${CANDIDATES_AT} episodes.id),
    (select md5(pronunciations::text) from channels where id = episodes.channel_id)) as stamp
  from episodes where id = $id and owner_id = $ownerId and deleted_at is null`
