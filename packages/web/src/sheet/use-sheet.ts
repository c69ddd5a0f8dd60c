import { groupBy } from 'lodash-es'
import { computed, ref, watch } from 'vue'
import { doubtedClaims } from '@tidy-reel/core/checks/claims'
import { filmFlags } from '@tidy-reel/core/checks/flags'
import type { Command, NewScene, ScenePlace } from '@tidy-reel/core/document/command'
import { copiedScenes } from '@tidy-reel/core/document/scene-edits'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { isFault } from '@tidy-reel/core/faults/fault'
import type { SpokenWord } from '@tidy-reel/core/speech/word-times'
import { wordsOf } from '@tidy-reel/core/text/written-words'
import { sampleAtFrame } from '@tidy-reel/core/time/time'
import type { useEpisode } from '../episode/episode-store.ts'
import type { Player } from '../monitor/use-player.ts'
import { forgetDraft, keptDraft } from './draft.ts'
import { NEW_ROW, sheetRows } from './sheet-rows.ts'

/** Where the writing cursor is to stand when a row is opened for writing. */
export interface Writing {
  id: string
  /** Letters before the cursor; past the end means at the end. */
  caret: number
}

/**
 * What is selected on the sheet and what can be done with it. Everything here is one command of the
 * document,
 * or a step of the cursor.
 */
export function useSheet(episode: ReturnType<typeof useEpisode>, player: Player) {
  const writingAfter = ref<string>()
  const writing = ref<Writing>()
  const anchor = ref('')
  const shot = ref(0)
  /** A sentence on why the last thing asked for could not be done. */
  const refused = ref('')

  const doubted = computed(() =>
    groupBy(
      doubtedClaims(episode.document!.script, episode.parsed, episode.document!.claims),
      ({ scene }) => episode.document!.scenes[scene]?.id,
    ),
  )
  const flags = computed(() =>
    filmFlags(episode.film, {
      doubted: (id) => doubted.value[id] ?? [],
      spoken: (id) => !!episode.data?.takes[id],
      picks: (id) => episode.data?.candidates[id]?.picks,
      byHand: (id, at) =>
        episode.document?.scenes.find((each) => each.id === id)?.shots[at]?.by === 'hand',
    }),
  )
  const rows = computed(() =>
    sheetRows(episode.document!, episode.parsed, episode.film, flags.value, writingAfter.value),
  )
  const indexOf = (id: string) => rows.value.findIndex((row) => row.id === id)
  const cursor = computed(() => Math.max(0, indexOf(episode.selected)))
  const row = computed(() => rows.value[cursor.value])
  const range = computed(() => {
    const other = indexOf(anchor.value)
    return other < 0
      ? [cursor.value, cursor.value]
      : [Math.min(cursor.value, other), Math.max(cursor.value, other)]
  })
  /** Ids of the selected scenes, in the film's order. */
  const selectedIds = computed(() =>
    rows.value
      .slice(range.value[0], itemAt(range.value, 1) + 1)
      .flatMap(({ id, kind }) => (kind === 'scene' ? [id] : [])),
  )
  const scene = computed(() => (row.value?.kind === 'scene' ? row.value : undefined))

  watch(
    () => rows.value.length,
    () => {
      if (!rows.value.some(({ id }) => id === episode.selected))
        episode.selected = rows.value[Math.min(lastCursor, rows.value.length - 1)]?.id ?? ''
    },
  )
  let lastCursor = 0
  watch(cursor, (at) => (lastCursor = at), { immediate: true })

  function run(...commands: Command[]): boolean {
    refused.value = ''
    try {
      for (const command of commands) episode.run(command)
      return true
    } catch (cause) {
      if (!isFault(cause)) throw cause
      refused.value = cause.message
      return false
    }
  }

  /** Puts the cursor on a row. The player follows while it stands still. */
  function select(
    index: number,
    options: { extend?: boolean; shot?: number; follow?: boolean } = {},
  ) {
    const to = rows.value[Math.max(0, Math.min(rows.value.length - 1, index))]
    if (!to) return
    anchor.value = options.extend ? anchor.value || episode.selected : ''
    episode.selected = to.id
    shot.value = Math.max(0, Math.min(options.shot ?? 0, to.shots.length - 1))
    if (options.follow !== false && !player.playing.value && to.scene)
      player.seek(startOf(to.id, shot.value))
  }
  const startOf = (id: string, which: number) => {
    const found = episode.film.scenes.find((each) => each.id === id)
    const seen = found?.shots.find((each) => each.shot === which)
    if (!found || !seen) return found?.startSample ?? 0
    // A picture that comes by a transition is shown when it is all there.
    return Math.max(
      found.startSample,
      sampleAtFrame(seen.startFrame + (seen.transition?.frames ?? 0), episode.film.fps),
    )
  }
  const selectId = (id: string, which = 0) => select(indexOf(id), { shot: which })

  function write(id: string, caret = Infinity) {
    episode.selected = id
    anchor.value = ''
    writing.value = { id, caret }
  }
  function stopWriting() {
    writing.value = undefined
    writingAfter.value = undefined
  }
  /** Writing in a row has ended, for a text or, with null, for the one before. */
  function stopWritingOf(id: string, text: string | null) {
    if (text === null) forgetDraft(episode.data!.id)
    else if (id !== NEW_ROW || writingAfter.value) keep(id, text)
    if (!writing.value || writing.value.id === id) stopWriting()
  }

  /** Takes over what was typed in a row; true when the sheet has it now. */
  function keep(id: string, text: string): boolean {
    const here = rows.value[indexOf(id)]
    if (!here) return false
    const kept =
      id === NEW_ROW
        ? insertWritten(text)
        : text.trim() === here.text ||
          run(
            here.kind === 'card'
              ? {
                  type: 'setCard',
                  card: id as 'opening' | 'closing',
                  set: { text: text.trim() || null },
                }
              : { type: 'editNarration', sceneId: id, text },
          )
    if (kept) forgetDraft(episode.data!.id)
    return kept
  }
  function insertWritten(text: string): boolean {
    const after = writingAfter.value
    stopWriting()
    if (!text.trim()) return false
    return insert([{ script: text, speaker: '', shots: [] }], after)
  }
  /** Scenes put in behind a row; the cursor goes to the last of them. */
  function insert(scenes: NewScene[], after = selectedIds.value.at(-1) ?? row.value?.id): boolean {
    const before = new Set(episode.document!.scenes.map(({ id }) => id))
    const done = run({ type: 'insertScenes', place: placeAfter(after), scenes })
    const last = episode.document!.scenes.findLast(({ id }) => !before.has(id))
    if (last) selectId(last.id)
    return done
  }
  function placeAfter(id: string | undefined): ScenePlace {
    const first = episode.document!.scenes[0]
    if (!first || id === 'closing') return 'end'
    return id === 'opening' || id === undefined ? { before: first.id } : { after: id }
  }

  /**
   * Return in the middle of a narration: the scene is parted there; at its end a new one is begun.
   */
  function splitAt(id: string, text: string, caret: number) {
    if (id === NEW_ROW) {
      const after = insertWritten(text) ? episode.selected : undefined
      return after ? begin(after) : undefined
    }
    if (!keep(id, text)) return
    if (rows.value[indexOf(id)]?.kind !== 'scene' || !text.slice(caret).trim()) return begin(id)
    // What was typed may have become several scenes: the cursor stands in one of them.
    let [index, at] = [episode.document!.scenes.findIndex((each) => each.id === id), caret]
    for (
      let each = episode.document!.scenes[index];
      each && at > each.text.length;
      each = episode.document!.scenes[++index]
    )
      at -= each.text.length + 1
    const found = episode.document!.scenes[index]
    if (
      found &&
      /[\p{L}\p{N}]/u.test(found.text.slice(0, at)) &&
      !run({ type: 'splitScene', sceneId: found.id, at })
    )
      return
    const next =
      episode.document!.scenes[
        /[\p{L}\p{N}]/u.test(found?.text.slice(0, at) ?? '') ? index + 1 : index
      ]
    if (next) write(next.id, 0)
  }
  function begin(after: string) {
    writingAfter.value = after
    write(NEW_ROW, 0)
  }
  /** Joins a scene with the one before it; the cursor stays between their words. */
  function mergeBefore(id: string, text: string) {
    if (id === NEW_ROW && !text.trim()) {
      const after = writingAfter.value!
      stopWriting()
      return write(after)
    }
    const index = episode.document!.scenes.findIndex((each) => each.id === id)
    const before = episode.document!.scenes[index - 1]
    if (!before || !keep(id, text)) return
    if (run({ type: 'mergeScene', sceneId: before.id })) write(before.id, before.text.length + 1)
  }
  function mergeAfter(id: string, text: string) {
    if (!keep(id, text)) return
    const caret = text.trimEnd().length
    if (run({ type: 'mergeScene', sceneId: id })) write(id, caret)
  }

  /** The word that is being spoken where the player stands, in the scene of the cursor. */
  function wordAtPlayer(): number | undefined {
    const words = scene.value?.scene?.words
    if (!words?.length) return undefined
    return nearestWord(words, player.at.value) || undefined
  }
  function splitAtPlayer() {
    const word = wordAtPlayer()
    if (!scene.value || word === undefined)
      return (refused.value = 'Stop the player between two words of this scene first.')
    const { id, text } = scene.value
    const head = wordsOf(text).slice(0, word).join(' ')
    if (run({ type: 'splitScene', sceneId: id, at: head.length })) select(cursor.value + 1)
  }
  /** Adds a picture that begins at the word where the player stands, or shares the scene evenly. */
  function addShot(item: Extract<Command, { type: 'addShot' }>['item'] = null) {
    if (!scene.value) return
    const word = wordAtPlayer()
    const begins = scene.value.shots.findLastIndex(
      (each, i) => i === 0 || word === undefined || (each.word ?? 0) < word,
    )
    const at = begins + 1
    if (
      run({ type: 'addShot', sceneId: scene.value.id, shot: at, item, ...(word ? { word } : {}) })
    )
      shot.value = at
  }
  /** Moves the cut the chosen shot begins at by words. */
  function moveCut(by: number) {
    const timed = scene.value?.scene
    const seen = timed?.shots.find((each) => each.shot === shot.value)
    if (!scene.value || !timed || !seen || shot.value === 0)
      return (refused.value =
        'Choose the second or a later picture of a scene first: its cut is moved.')
    const sample = sampleAtFrame(seen.startFrame, episode.film.fps)
    const now = itemAt(scene.value.shots, shot.value).word ?? nearestWord(timed.words, sample)
    const word = now + by
    if (
      word > 0 &&
      word < timed.words.length &&
      run({ type: 'setCut', sceneId: scene.value.id, shot: shot.value, word })
    )
      player.seek(startOf(scene.value.id, shot.value))
  }

  function nextFlag(way: 1 | -1) {
    const all = rows.value
    for (let step = 1; step <= all.length; step++) {
      const at = (cursor.value + way * step + all.length * 2) % all.length
      const flagged = itemAt(all, at).flags[0]
      if (flagged) return select(at, { shot: flagged.shot ?? 0 })
    }
    refused.value = 'No flags: nothing on this sheet needs a look.'
  }

  function remove() {
    const ids = selectedIds.value
    if (!ids.length) return
    const next =
      rows.value[itemAt(range.value, 1) + 1]?.id ?? rows.value[itemAt(range.value, 0) - 1]?.id
    if (run({ type: 'deleteScenes', sceneIds: ids }) && next) selectId(next)
  }
  function moveBy(way: 1 | -1) {
    const ids = selectedIds.value
    const other = rows.value[way < 0 ? itemAt(range.value, 0) - 1 : itemAt(range.value, 1) + 1]
    if (!ids.length || other?.kind !== 'scene') return
    run({
      type: 'moveScenes',
      sceneIds: ids,
      place: way < 0 ? { before: other.id } : { after: other.id },
    })
  }
  const copied = () => copiedScenes(episode.document!, selectedIds.value)

  /** What was being typed when the page was left, brought onto the sheet. */
  function takeUpDraft() {
    const draft = keptDraft(episode.data!.id)
    if (!draft) return
    if (draft.rowId !== NEW_ROW) keep(draft.rowId, draft.text)
    else if (draft.text.trim())
      insert([{ script: draft.text, speaker: '', shots: [] }], draft.after)
    forgetDraft(episode.data!.id)
  }

  return {
    rows,
    row,
    scene,
    cursor,
    range,
    selectedIds,
    shot,
    flags,
    writing,
    writingAfter,
    refused,
    run,
    select,
    selectId,
    write,
    stopWritingOf,
    keep,
    insert,
    splitAt,
    begin,
    mergeBefore,
    mergeAfter,
    splitAtPlayer,
    addShot,
    moveCut,
    nextFlag,
    remove,
    moveBy,
    copied,
    takeUpDraft,
    startOf,
  }
}
export type Sheet = ReturnType<typeof useSheet>

/** The word that begins nearest to a sample; 0 for no words. */
const nearestWord = (words: readonly SpokenWord[], sample: number) =>
  words.reduce(
    (best, { start }, i) =>
      Math.abs(start - sample) < Math.abs(itemAt(words, best).start - sample) ? i : best,
    0,
  )
