import type { Command } from '@tidy-reel/core/document/command'
import type { Document } from '@tidy-reel/core/document/document'
import { withPlace } from '@tidy-reel/core/script/drawn-place'
import { isDrawn } from '@tidy-reel/core/script/parse'
import { parsedScript } from '@tidy-reel/core/script/parsed-script'
import type { Moved } from '../../monitor/movable.ts'

const rounded = (share: number) => Math.round(share * 1000) / 1000

/** What puts something that stands on the picture elsewhere; undefined where it is there no more. */
export function movedCommand(
  { script, scenes }: Pick<Document, 'script' | 'scenes'>,
  { kind, sceneId, index, across, down }: Moved,
): Command | undefined {
  const n = scenes.findIndex(({ id }) => id === sceneId)
  const at = { across: rounded(across), down: rounded(down) }
  if (kind === 'inlay') {
    const inlays = scenes[n]?.inlays?.map((inlay, i) => (i === index ? { ...inlay, at } : inlay))
    return inlays && { type: 'adjustScenes', target: [sceneId], set: { inlays } }
  }
  const drawn = parsedScript(script)
    .scenes[n]?.directions.filter(isDrawn)
    .map(({ kind: form, text }, i) => ({ form, text: i === index ? withPlace(text, at) : text }))
  return drawn?.length ? { type: 'adjustScenes', target: [sceneId], set: { drawn } } : undefined
}
