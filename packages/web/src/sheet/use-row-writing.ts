import { type Ref, ref } from 'vue'
import type { NewScene, ScenePlace } from '@tidy-reel/core/document/command'
import { certain } from '@tidy-reel/core/faults/certain'
import type { Episode } from '../episode/episode-store.ts'
import { forgetDraft, takeLeftDrafts } from './draft.ts'
import { NEW_ROW, type SheetRow } from './sheet-rows.ts'
import type { Commands } from './use-commands.ts'
import type { Cursor } from './use-cursor.ts'

/** Where the writing cursor is to stand when a row is opened for writing. */
export interface Writing {
  id: string
  /** Letters before the cursor; past the end means at the end. */
  caret: number
  /** The words that stood there then: what others write meanwhile is merged with what comes. */
  base: string
}

export interface RowWriting {
  writing: Ref<Writing | undefined>
  /** Opens a row for writing. */
  write(id: string, caret?: number): void
  /** Writing in a row has ended, for a text or, with null, for the one before. */
  stopWritingOf(id: string, text: string | null): void
  /** Takes over what was typed in a row; true when the sheet has it now. */
  keep(id: string, text: string): boolean
  /** Scenes put in behind a row, else behind the selection; the cursor goes to the last of them. */
  insert(scenes: NewScene[], after?: string): boolean
  /** Return in a narration: the scene is parted there; at its end a new one is begun. */
  splitAt(id: string, text: string, caret: number): void
  /** Begins a new scene behind a row. */
  begin(after: string): void
  /** Joins a scene with the one before it; the cursor stays between their words. */
  mergeBefore(id: string, text: string): void
  mergeAfter(id: string, text: string): void
  /** What was being typed when a page was left, brought onto the sheet. */
  takeUpDrafts(): void
}

const hasWords = (text: string) => /[\p{L}\p{N}]/u.test(text)
const written = (script: string): NewScene[] => [{ script, speaker: '', shots: [] }]

/**
 * Writing in the rows of the sheet.
 *
 * @param newAfter id of the row behind which a new scene is being written
 */
export function useRowWriting(
  episode: Episode,
  { run }: Commands,
  at: Cursor,
  newAfter: Ref<string | undefined>,
): RowWriting {
  const writing = ref<Writing>()
  const scenes = () => certain(episode.document).scenes
  const indexIn = (id: string) => scenes().findIndex((scene) => scene.id === id)
  const episodeId = () => certain(episode.data).id

  function write(id: string, caret = Infinity) {
    at.stand(id)
    writing.value = { id, caret, base: at.rows.value[at.indexOf(id)]?.text ?? '' }
  }
  function stopWriting() {
    writing.value = undefined
    newAfter.value = undefined
  }
  function stopWritingOf(id: string, text: string | null) {
    if (text === null) forgetDraft(episodeId())
    else if (id !== NEW_ROW || newAfter.value) keep(id, text)
    if (!writing.value || writing.value.id === id) stopWriting()
  }
  function keep(id: string, text: string, base = baseOf(id)): boolean {
    const kept = id === NEW_ROW ? insertWritten(text) : changeText(id, text, base)
    if (kept) forgetDraft(episodeId())
    return kept
  }
  const baseOf = (id: string) =>
    writing.value?.id === id ? writing.value.base : at.rows.value[at.indexOf(id)]?.text
  function changeText(id: string, text: string, base = ''): boolean {
    if (text.trim() === base) return true
    const here: SheetRow | undefined = at.rows.value[at.indexOf(id)]
    // Somebody took the scene out while it was written: its words become one of their own.
    if (!here) return text.trim() ? insert(written(text)) : true
    if (here.kind !== 'card') return run({ type: 'editNarration', sceneId: id, text, base })
    const card = id as 'opening' | 'closing'
    return run({ type: 'setCard', card, set: { text: text.trim() || null } })
  }
  function insertWritten(text: string): boolean {
    const after = newAfter.value
    stopWriting()
    return text.trim() ? insert(written(text), after) : false
  }
  function insert(
    added: NewScene[],
    after = at.selectedIds.value.at(-1) ?? at.row.value?.id,
  ): boolean {
    const before = new Set(scenes().map(({ id }) => id))
    const done = run({ type: 'insertScenes', place: placeAfter(after), scenes: added })
    const last = scenes().findLast(({ id }) => !before.has(id))
    if (last) at.selectId(last.id)
    return done
  }
  function placeAfter(id: string | undefined): ScenePlace {
    const first = scenes()[0]
    if (!first || id === 'closing') return 'end'
    return id === 'opening' || id === undefined ? { before: first.id } : { after: id }
  }

  function splitAt(id: string, text: string, caret: number) {
    if (id === NEW_ROW) {
      const after = insertWritten(text) ? episode.selected : undefined
      return after ? begin(after) : undefined
    }
    if (!keep(id, text)) return
    const isScene = at.rows.value[at.indexOf(id)]?.kind === 'scene'
    if (!isScene || !text.slice(caret).trim()) return begin(id)
    const next = splitWhereWritten(id, caret)
    if (next) write(next, 0)
  }
  /**
   * Parts the scene that a letter of what was typed has come to stand in: it may be several by now.
   *
   * @returns id of the scene behind the cut; undefined where it was refused
   */
  function splitWhereWritten(id: string, caret: number): string | undefined {
    let index = indexIn(id)
    let letters = caret
    for (
      let scene = scenes()[index];
      scene && letters > scene.text.length;
      scene = scenes()[++index]
    )
      letters -= scene.text.length + 1
    const found = scenes()[index]
    if (!found || !hasWords(found.text.slice(0, letters))) return found?.id
    if (!run({ type: 'splitScene', sceneId: found.id, at: letters })) return undefined
    return scenes()[index + 1]?.id
  }
  function begin(after: string) {
    newAfter.value = after
    write(NEW_ROW, 0)
  }
  function mergeBefore(id: string, text: string) {
    if (id === NEW_ROW && !text.trim()) {
      const after = certain(newAfter.value)
      stopWriting()
      return write(after)
    }
    const before = scenes()[indexIn(id) - 1]
    if (!before || !keep(id, text)) return
    if (run({ type: 'mergeScene', sceneId: before.id })) write(before.id, before.text.length + 1)
  }
  function mergeAfter(id: string, text: string) {
    if (!keep(id, text)) return
    const caret = text.trimEnd().length
    if (run({ type: 'mergeScene', sceneId: id })) write(id, caret)
  }
  function takeUpDrafts() {
    const id = episodeId()
    takeLeftDrafts(id, (draft) => {
      if (episode.data.id !== id) return false
      if (draft.rowId !== NEW_ROW) changeText(draft.rowId, draft.text, draft.base)
      else if (draft.text.trim()) insert(written(draft.text), draft.after)
      return true
    })
  }
  return {
    writing,
    write,
    stopWritingOf,
    keep,
    insert,
    splitAt,
    begin,
    mergeBefore,
    mergeAfter,
    takeUpDrafts,
  }
}
