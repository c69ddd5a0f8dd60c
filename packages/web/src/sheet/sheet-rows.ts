import type { Flag } from '@tidy-reel/core/checks/flags'
import type { Document, Shot } from '@tidy-reel/core/document/document'
import { itemAt } from '@tidy-reel/core/faults/certain'
import type { Direction, ParsedScript } from '@tidy-reel/core/script/parse'
import type { Timeline, TimelineScene } from '@tidy-reel/core/timeline/timeline'

/** A line of the sheet. */
export interface SheetRow {
  id: string
  /** A scene, a card before or after the film, or a scene that is being written. */
  kind: 'scene' | 'card' | 'new'
  /** Of a scene, its place in the sheet, from 1. */
  number: number
  /** The chapter that begins here. */
  heading?: string
  text: string
  speaker: string
  /** Left out of the film, or a card that is not shown. */
  hidden: boolean
  shots: readonly Shot[]
  directions: readonly Direction[]
  /** Its place in the film; undefined when it has none. */
  scene?: TimelineScene
  flags: readonly Flag[]
}

export const NEW_ROW = 'new'

/**
 * All lines of a sheet, in order. `writingAfter` is the row behind which a new scene is being
 * written, if one is.
 */
export function sheetRows(
  { scenes, cards, title }: Document,
  parsed: ParsedScript,
  film: Timeline,
  flags: ReadonlyMap<string, Flag[]>,
  writingAfter: string | undefined,
): SheetRow[] {
  const placed = new Map(film.scenes.map((scene) => [scene.id, scene]))
  const card = (id: 'opening' | 'closing'): SheetRow => ({
    id,
    kind: 'card',
    number: 0,
    text:
      cards[id].text ??
      (id === 'opening' ? title : (placed.get(id)?.card ?? 'Thank you for watching')),
    speaker: '',
    hidden: !cards[id].shown,
    shots: [],
    directions: [],
    flags: [],
    ...found(placed.get(id)),
  })
  let chapter = -1
  const rows = scenes.map(({ id, text, shots, hidden }, i): SheetRow => {
    const said = parsed.scenes[i]
    const opens = said && said.chapter >= 0 && said.chapter !== chapter
    chapter = said?.chapter ?? chapter
    return {
      id,
      kind: 'scene',
      number: i + 1,
      text,
      shots,
      speaker: said?.speaker ?? '',
      hidden: !!hidden,
      directions: said?.directions ?? [],
      flags: flags.get(id) ?? [],
      ...found(placed.get(id)),
      ...(opens ? { heading: itemAt(parsed.chapters, chapter).title } : {}),
    }
  })
  const all = [card('opening'), ...rows, card('closing')]
  if (writingAfter === undefined) return all
  const at = all.findIndex(({ id }) => id === writingAfter)
  return all.toSpliced(at + 1, 0, {
    id: NEW_ROW,
    kind: 'new',
    number: 0,
    text: '',
    speaker: '',
    hidden: false,
    shots: [],
    directions: [],
    flags: [],
  })
}

const found = (scene: TimelineScene | undefined) => (scene ? { scene } : {})
