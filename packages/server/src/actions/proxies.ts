import { existsSync } from 'node:fs'
import type { Sequelize } from 'sequelize'
import type { Document } from '@tidy-reel/core/document/document'
import { isHeld } from '@tidy-reel/core/document/shot-edits'
import { isFault } from '@tidy-reel/core/faults/fault'
import { itemsIn } from '@tidy-reel/core/pictures/inlay'
import type { ChosenItem } from '@tidy-reel/core/pictures/item'
import { type EngineConfig, folders } from '@tidy-reel/engine/config'
import { proxyFile, proxyOf } from '@tidy-reel/engine/render/proxy'
import { pictureLibrary } from '@tidy-reel/engine/stock/library'
import { announce } from '../events.ts'
import type { EpisodeActions } from './episodes.ts'

/** Its pictures in the order they are wanted: what is seen, then what waits under a held one. */
function itemsOf({ scenes, sign }: Document): ChosenItem[] {
  const seen = scenes.map(({ shots, inlays, ...scene }) => ({
    inlays,
    shots: isHeld(scene) ? shots.slice(1) : shots,
  }))
  const waiting = scenes.filter(isHeld).map(({ shots }) => ({ shots: shots.slice(0, 1) }))
  return [...(sign ? [sign.item] : []), ...[...seen, ...waiting].flatMap(itemsIn)]
}

/**
 * Makes what the monitor shows of an episode's pictures, one after the other in the film's order;
 * what is put on the sheet meanwhile comes in its turn. A picture that cannot be had is passed
 * over: its thumbnail stands in its place.
 */
export async function makeProxies(
  sequelize: Sequelize,
  config: EngineConfig,
  episodes: EpisodeActions,
  episodeId: string,
  signal: AbortSignal,
): Promise<void> {
  const { proxies } = folders(config)
  const library = pictureLibrary(config)
  const failed = new Set<string>()
  for (;;) {
    const { document } = await episodes.find(episodeId)
    const next = itemsOf(document).find(
      (item) => !failed.has(item.id) && !existsSync(proxyFile(proxies, item)),
    )
    if (!next) return
    signal.throwIfAborted()
    try {
      await proxyOf(proxies, library, next, signal)
    } catch (cause) {
      if (
        !isFault(cause) ||
        ['cancelled', 'disk_full', 'program_missing', 'stock_unreachable'].includes(cause.code)
      )
        throw cause
      failed.add(next.id)
    }
    await announce(sequelize, { episodeId, kind: 'proxy', data: { id: next.id } })
  }
}
