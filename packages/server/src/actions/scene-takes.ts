import type { Film } from '@tidy-reel/core/document/film-scenes'
import type { TakeRequest } from '@tidy-reel/core/speech/take-request'
import type { SceneTakeView } from '@tidy-reel/core/views/episode'
import type { Spoken } from '@tidy-reel/engine/speech/take-all'
import { type Episode, SceneTake } from '../db/models.ts'

/** Earlier takes that are shown to choose from. */
const SHOWN = 30

/** Notes which take each scene speaks with now, so that a person can go back to it. */
export async function rememberTakes(
  { id: episodeId, ownerId }: Episode,
  { scenes }: Film,
  requests: readonly (TakeRequest | undefined)[],
  spoken: readonly (Spoken | undefined)[],
): Promise<void> {
  const usedAt = new Date()
  const rows = scenes.flatMap(({ id: sceneId, text }, i) => {
    const request = requests[i]
    const said = spoken[i]
    if (!request || !said || 'fault' in said || request.take) return []
    return [
      {
        episodeId,
        ownerId,
        sceneId,
        hash: said.take.hash,
        text,
        voice: request.voice,
        kind: 'spoken' as const,
        samples: said.take.samples,
        usedAt,
      },
    ]
  })
  await SceneTake.bulkCreate(rows, { updateOnDuplicate: ['usedAt'] })
}

/** The takes a scene has had of just these words, the newest first. */
export async function sceneTakes(
  ownerId: string,
  episodeId: string,
  sceneId: string,
  text: string,
): Promise<SceneTakeView[]> {
  const rows = await SceneTake.findAll({
    where: { ownerId, episodeId, sceneId, text },
    order: [['usedAt', 'DESC']],
    limit: SHOWN,
  })
  return rows.map(({ hash, text: words, voice, kind, samples, usedAt }) => ({
    hash,
    text: words,
    voice,
    kind,
    samples,
    usedAt: usedAt.toISOString(),
  }))
}
