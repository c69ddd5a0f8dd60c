import type { Command, NewScene } from '@tidy-reel/core/document/command'
import { copiedScenes } from '@tidy-reel/core/document/scene-edits'
import { certain, itemAt } from '@tidy-reel/core/faults/certain'
import type { SpokenWord } from '@tidy-reel/core/speech/word-times'
import { wordsOf } from '@tidy-reel/core/text/written-words'
import { sampleAtFrame } from '@tidy-reel/core/time/time'
import type { Episode } from '../episode/episode-store.ts'
import type { Player } from '../monitor/use-player.ts'
import type { Commands } from './use-commands.ts'
import type { Cursor } from './use-cursor.ts'

export interface SceneEdits {
  /** Parts the scene of the cursor at the word where the player stands. */
  splitAtPlayer(): void
  /** Adds a picture that begins at the word where the player stands, or shares the scene evenly. */
  addShot(item?: Extract<Command, { type: 'addShot' }>['item']): void
  /** Moves the cut the chosen picture begins at, by words. */
  moveCut(by: number): void
  /** Goes to the next row that needs a look, or to the one before. */
  nextFlag(way: 1 | -1): void
  /** Takes the selected scenes out of the script. */
  remove(): void
  /** Moves the selected scenes past the one before or behind them. */
  moveBy(way: 1 | -1): void
  /** The selected scenes, to be put in elsewhere. */
  copied(): NewScene[]
}

/** What is done with the scenes at the cursor. */
export function useSceneEdits(
  episode: Episode,
  player: Player,
  { refused, run }: Commands,
  at: Cursor,
): SceneEdits {
  const { cursor, range, rows, scene, selectedIds, shot } = at

  /** The word that is being spoken where the player stands, in the scene of the cursor. */
  function wordAtPlayer(): number | undefined {
    const words = scene.value?.scene?.words
    if (!words?.length) return undefined
    return nearestWord(words, player.at.value) || undefined
  }
  function splitAtPlayer() {
    const word = wordAtPlayer()
    if (!scene.value || word === undefined) {
      refused.value = 'Stop the player between two words of this scene first.'
      return
    }
    const { id, text } = scene.value
    const head = wordsOf(text).slice(0, word).join(' ')
    if (run({ type: 'splitScene', sceneId: id, at: head.length })) at.select(cursor.value + 1)
  }
  function addShot(item: Extract<Command, { type: 'addShot' }>['item'] = null) {
    if (!scene.value) return
    const { id: sceneId, shots } = scene.value
    const word = wordAtPlayer()
    const before = shots.findLastIndex(
      (each, i) => i === 0 || word === undefined || (each.word ?? 0) < word,
    )
    const place = before + 1
    const begins = word ? { word } : {}
    if (run({ type: 'addShot', sceneId, shot: place, item, ...begins })) shot.value = place
  }
  function moveCut(by: number) {
    const timed = scene.value?.scene
    const seen = timed?.shots.find((each) => each.shot === shot.value)
    if (!scene.value || !timed || !seen || shot.value === 0) {
      refused.value = 'Choose the second or a later picture of a scene first: its cut is moved.'
      return
    }
    const { id: sceneId, shots } = scene.value
    const sample = sampleAtFrame(seen.startFrame, episode.film.fps)
    const now = itemAt(shots, shot.value).word ?? nearestWord(timed.words, sample)
    const word = now + by
    if (word <= 0 || word >= timed.words.length) return
    if (run({ type: 'setCut', sceneId, shot: shot.value, word }))
      player.seek(at.startOf(sceneId, shot.value))
  }
  function nextFlag(way: 1 | -1) {
    const all = rows.value
    for (let step = 1; step <= all.length; step++) {
      const index = (cursor.value + way * step + all.length * 2) % all.length
      const flagged = itemAt(all, index).flags[0]
      if (flagged) return at.select(index, { shot: flagged.shot ?? 0 })
    }
    refused.value = 'No flags: nothing on this sheet needs a look.'
  }
  function remove() {
    const ids = selectedIds.value
    if (!ids.length) return
    const [first, last] = range.value
    const next = rows.value[last + 1]?.id ?? rows.value[first - 1]?.id
    if (run({ type: 'deleteScenes', sceneIds: ids }) && next) at.selectId(next)
  }
  function moveBy(way: 1 | -1) {
    const ids = selectedIds.value
    const [first, last] = range.value
    const other = rows.value[way < 0 ? first - 1 : last + 1]
    if (!ids.length || other?.kind !== 'scene') return
    const place = way < 0 ? { before: other.id } : { after: other.id }
    run({ type: 'moveScenes', sceneIds: ids, place })
  }
  const copied = () => copiedScenes(certain(episode.document), selectedIds.value)
  return { splitAtPlayer, addShot, moveCut, nextFlag, remove, moveBy, copied }
}

/** The word that begins nearest to a sample; 0 for no words. */
const nearestWord = (words: readonly SpokenWord[], sample: number) =>
  words.reduce(
    (best, { start }, i) =>
      Math.abs(start - sample) < Math.abs(itemAt(words, best).start - sample) ? i : best,
    0,
  )
