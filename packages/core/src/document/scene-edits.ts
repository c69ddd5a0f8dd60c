import { entryOf, itemAt, lastOf } from '../faults/certain.ts'
import { TidyError } from '../faults/fault.ts'
import { depictionText } from '../pictures/depiction.ts'
import { type ChosenItem, chosenItem } from '../pictures/item.ts'
import { cleanScript } from '../script/clean.ts'
import { DRAWN_FORMS } from '../script/drawn.ts'
import { BOUNDARY, parseScript } from '../script/parse.ts'
import { mergeTexts } from '../text/merge-texts.ts'
import { wordsOf } from '../text/written-words.ts'
import { secondsFromSamples } from '../time/time.ts'
import type { CommandOf, NewScene } from './command.ts'
import { withVersionsMarked } from './conflicts.ts'
import type { Beginning, Document, Scene } from './document.ts'
import {
  added,
  type Draft,
  draftOf,
  lifted,
  paragraph,
  put,
  sceneOf,
  settle,
  targeted,
} from './draft.ts'
import { dressedAnew } from './dress.ts'
import { joinedInlays, partedInlays } from './inlay-edits.ts'
import { type Block, directionsIn, paragraphText, type Piece, placeOf, spoken } from './outline.ts'
import { isHeld, joinedShots, orderly, partedShots, shotsAfterEdit } from './shot-edits.ts'

/** One line, no mark at its head that a script would read as a heading. */
const oneLine = (text: string) =>
  cleanScript(text)
    .replace(/\s*\n\s*/g, ' ')
    .replace(/^\s*#+/, '')
    .trim()

/**
 * Puts new words where a scene's old ones stand; its directions stay. A sentence typed in becomes a
 * scene of its own.
 */
export function editNarration(
  document: Document,
  { sceneId, text, base }: CommandOf<'editNarration'>,
): Document {
  const draft = draftOf(document)
  const scene = sceneOf(draft, sceneId)
  const merged = mergeTexts(base ?? scene.text, text, scene.text)
  const words = oneLine(merged.text)
  if (!spoken(words.replace(/\[[^[\]]*\]/g, ''))) return deleteScenes(document, [sceneId])
  const { block, piece } = placeOf(draft.blocks, sceneId)
  const { directions, pauses } = directionsIn(itemAt(block.pieces, piece).raw)
  block.pieces[piece] = {
    id: sceneId,
    raw: [...directions, keptTogether(words, scene.text), ...pauses].join(' '),
    free: true,
  }
  block.changed = true
  draft.scenes.set(sceneId, {
    ...scene,
    text: words,
    shots: shotsAfterEdit(scene.shots, scene.text, words),
  })
  const versions = merged.conflicts.map(({ theirs, mine }) => ({
    theirs: oneLine(merged.text.slice(theirs.from, theirs.to)),
    mine: oneLine(merged.text.slice(mine.from, mine.to)),
  }))
  return withVersionsMarked(settle(document, draft), document, versions)
}

/** Where words that stood together in one scene would be parted now, a mark keeps them together. */
function keptTogether(words: string, before: string): string {
  const found = parseScript(words).scenes.map(({ source }) => source)
  let text = words
  for (let i = found.length - 1; i > 0; i--) {
    const [end, next] = [itemAt(found, i - 1).to, itemAt(found, i).from]
    const pair = `${wordsOf(words.slice(0, end)).at(-1)} ${wordsOf(words.slice(next))[0]}`
    if (` ${before} `.includes(` ${pair} `)) text = `${text.slice(0, end)} ~${text.slice(end)}`
  }
  return text
}

/** @throws TidyError `split_empty` when one side would have nothing to speak */
export function splitScene(document: Document, { sceneId, at }: CommandOf<'splitScene'>): Document {
  const draft = draftOf(document)
  const scene = sceneOf(draft, sceneId)
  const place = betweenWords(scene.text, Math.max(0, at))
  const [head, tail] = [scene.text.slice(0, place), scene.text.slice(place)]
  if (!spoken(head) || !spoken(tail)) throw new TidyError('split_empty')
  const { block, piece } = placeOf(draft.blocks, sceneId)
  const { raw } = itemAt(block.pieces, piece)
  const cut = rawPlace(raw, head)
  const words = wordsOf(scene.text).length
  const first = wordsOf(head).length
  const [shots, rest] = partedShots(scene.shots, words, Math.min(first, words - 1))
  const { length: _, inlays: _inlays, ...unheld } = scene
  const [over, overSecond] = partedInlays(scene, Math.min(first, words - 1))
  draft.scenes.set(sceneId, {
    ...unheld,
    ...over,
    text: head.trim(),
    shots: orderly(shots, first),
  })
  const second = added(draft, {
    ...unheld,
    ...overSecond,
    // Who parts a scene wants two pictures: none is held over the cut by itself.
    begins: { how: 'cut', by: 'hand' },
    text: tail.trim(),
    shots: orderly(rest, wordsOf(tail).length),
  })
  block.pieces.splice(
    piece,
    1,
    { id: sceneId, raw: raw.slice(0, cut).trim() },
    { id: second, raw: raw.slice(cut).trim() },
  )
  block.changed = true
  return settle(document, draft)
}

/** Inside a word, the place before it; scripts without spaces are parted anywhere. */
function betweenWords(text: string, at: number): number {
  const inside =
    /[\p{L}\p{N}'’-]$/u.test(text.slice(0, at)) && /^[\p{L}\p{N}'’-]/u.test(text.slice(at))
  if (
    !inside ||
    /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]$/u.test(
      text.slice(0, at),
    )
  )
    return at
  const before = text.slice(0, at).search(/\S+$/)
  return before > 0 ? before : at + (text.slice(at).match(/^\S+/)?.[0].length ?? 0)
}

/**
 * Where in a piece's text, directions and marks of emphasis skipped, the last letter of `head` has
 * passed.
 */
function rawPlace(raw: string, head: string): number {
  const wanted = head.replace(/\s/g, '')
  let seen = 0
  let at = 0
  while (at < raw.length && seen < wanted.length) {
    const direction = raw[at] === '[' ? /^\[[^[\]\n]*\]/.exec(raw.slice(at)) : null
    if (direction) at += direction[0].length
    else if (raw[at++] === wanted[seen]) seen++
  }
  return at
}

/** @throws TidyError `merge_last`, `merge_over_heading`, `merge_over_speaker` */
export function mergeScene(document: Document, { sceneId }: CommandOf<'mergeScene'>): Document {
  const draft = draftOf(document)
  const first = sceneOf(draft, sceneId)
  const second = document.scenes[document.scenes.findIndex(({ id }) => id === sceneId) + 1]
  if (!second) throw new TidyError('merge_last')
  const [here, there] = [placeOf(draft.blocks, sceneId), placeOf(draft.blocks, second.id)]
  const heading = draft.blocks.slice(here.index + 1, there.index).find((block) => block.heading)
  if (heading)
    throw new TidyError('merge_over_heading', {
      title: heading.raw.replace(/^\s*#+\s*/, '').trim(),
    })
  if (here.block.speaker !== there.block.speaker) throw new TidyError('merge_over_speaker')
  const raw = `${itemAt(here.block.pieces, here.piece).raw} ${itemAt(there.block.pieces, there.piece).raw}`
  const after = there.block === here.block ? [] : there.block.pieces.splice(0)
  here.block.pieces.splice(
    here.piece,
    after.length ? 1 : 2,
    { id: sceneId, raw },
    ...after.slice(1),
  )
  here.block.changed = there.block.changed = true
  const [words, more] = [wordsOf(first.text).length, wordsOf(second.text).length]
  const { length: _, inlays: _inlays, ...unheld } = first
  draft.scenes.set(sceneId, {
    ...unheld,
    ...joinedInlays(first, words, second),
    text: `${first.text} ${second.text}`,
    shots: joinedShots(first.shots, words, isHeld(second) ? [] : second.shots, more),
  })
  return settle(document, draft)
}

/**
 * @throws TidyError `scene_not_found` for an id the document does not have; nothing is changed then
 */
export function deleteScenes(document: Document, ids: readonly string[]): Document {
  const draft = draftOf(document)
  for (const id of ids) sceneOf(draft, id)
  lifted(draft, new Set(ids))
  return settle(document, draft)
}

/** @throws TidyError `place_inside` when scenes are to stand beside one of themselves */
export function moveScenes(
  document: Document,
  { sceneIds, place }: CommandOf<'moveScenes'>,
): Document {
  const draft = draftOf(document)
  const ids = new Set(sceneIds)
  for (const id of ids) sceneOf(draft, id)
  if (place !== 'end' && ids.has('before' in place ? place.before : place.after))
    throw new TidyError('place_inside')
  put(draft, lifted(draft, ids), place)
  return settle(document, draft)
}

/**
 * Puts a copy of scenes behind the last of them.
 *
 * @throws TidyError `scene_not_found` for an id the document does not have; nothing is changed then
 */
export function duplicateScenes(document: Document, ids: readonly string[]): Document {
  const draft = draftOf(document)
  const wanted = new Set(ids)
  for (const id of wanted) sceneOf(draft, id)
  const chosen = draft.blocks.flatMap(({ pieces, speaker }) =>
    pieces.flatMap((piece) => (wanted.has(piece.id) ? [{ piece, speaker }] : [])),
  )
  const copies = chosen.map(({ piece, speaker }) => {
    const { id: _, ...scene } = entryOf(draft.scenes, piece.id)
    return { piece: { id: added(draft, scene), raw: piece.raw }, speaker }
  })
  put(draft, copies, { after: lastOf(chosen).piece.id })
  return settle(document, draft)
}

/**
 * Scenes as they can be put in elsewhere, also in another episode, in the film's order. @throws
 * TidyError `scene_not_found`
 */
export function copiedScenes(document: Document, ids: readonly string[]): NewScene[] {
  const { blocks, scenes } = draftOf(document)
  const wanted = new Set(ids)
  return blocks.flatMap(({ pieces, speaker }) =>
    pieces.flatMap((piece): NewScene[] => {
      const { shots, hidden, length, inlays, dress } = sceneOf({ scenes }, piece.id)
      return wanted.has(piece.id)
        ? [
            {
              script: paragraphText({ speaker: '', pieces: [piece] }),
              speaker,
              shots,
              ...(hidden ? { hidden } : {}),
              ...(length ? { length } : {}),
              ...(inlays ? { inlays } : {}),
              ...(dress ? { dress } : {}),
            },
          ]
        : []
    }),
  )
}

/**
 * Puts scenes in that are new here; a text of several sentences makes as many scenes, the pictures
 * going to the first.
 */
export function insertScenes(
  document: Document,
  { scenes, place }: CommandOf<'insertScenes'>,
): Document {
  const draft = draftOf(document)
  const pieces = scenes.flatMap((scene) => newPieces(draft, scene))
  if (!pieces.length) throw new TidyError('script_nothing_spoken')
  put(draft, pieces, place)
  return settle(document, draft)
}

/**
 * One scene copied from elsewhere stays one when it was one there; new text is parted as a script
 * is.
 */
function newPieces(
  draft: Draft,
  { script, speaker, shots, hidden, length, inlays, dress }: NewScene,
): { piece: Piece; speaker: string }[] {
  const line = oneLine(script)
  const parsed = parseScript(line)
  return parsed.scenes.map((found, i) => {
    const start = i === 0 ? 0 : itemAt(parsed.scenes, i - 1).source.to
    const raw = line
      .slice(start, i === parsed.scenes.length - 1 ? line.length : found.source.to)
      .replace(BOUNDARY, ' ')
      .trim()
    const settings: Pick<Scene, 'shots' | 'hidden' | 'length' | 'inlays' | 'dress'> =
      i === 0
        ? {
            shots: orderly(shots, wordsOf(found.text).length),
            ...(hidden ? { hidden } : {}),
            ...(length ? { length } : {}),
            ...(inlays ? { inlays } : {}),
            ...(dress ? { dress } : {}),
          }
        : { shots: [] }
    return { piece: { id: added(draft, { text: found.text, ...settings }), raw }, speaker }
  })
}

export function adjustScenes(
  document: Document,
  { target, set }: CommandOf<'adjustScenes'>,
): Document {
  const ids = targeted(document, target)
  const scenes = document.scenes
    .map((scene) => (ids.has(scene.id) ? { ...scene, ...settingsOf(scene, set) } : scene))
    .map(withoutUndefined)
  const changed = { ...document, scenes }
  const isWritten = [set.pause, set.drawn, set.picture, set.speaker].some(
    (value) => value !== undefined,
  )
  if (!isWritten) return changed
  const draft = draftOf(changed)
  if (set.pause !== undefined) for (const id of ids) setPause(draft, id, set.pause)
  if (set.drawn !== undefined) for (const id of ids) setDrawn(draft, id, set.drawn ?? [])
  if (set.picture !== undefined) for (const id of ids) setPicture(draft, id, set.picture)
  if (set.speaker !== undefined) setSpeaker(draft, ids, set.speaker ?? '')
  return settle(changed, draft)
}

const begunByHand = (how: Beginning['how'] | null): Scene['begins'] =>
  how ? { how, by: 'hand' } : undefined

const withChosen = <T extends { item: ChosenItem }>(one: T): T => ({
  ...one,
  item: chosenItem(one.item),
})

const settingsOf = (
  scene: Scene,
  {
    hidden,
    length,
    voice,
    pace,
    emphasis,
    begins,
    inlays,
    dress,
  }: CommandOf<'adjustScenes'>['set'],
) => ({
  begins: begins === undefined ? scene.begins : begunByHand(begins),
  hidden: hidden === undefined ? scene.hidden : hidden || undefined,
  length: length === undefined ? scene.length : (length ?? undefined),
  voice: voice === undefined ? scene.voice : (voice ?? undefined),
  pace: pace === undefined ? scene.pace : (pace ?? undefined),
  emphasis: emphasis === undefined ? scene.emphasis : (emphasis ?? undefined),
  inlays: inlays === undefined ? scene.inlays : inlays?.map(withChosen),
  dress: dress === undefined ? scene.dress : dressedAnew(scene.dress, dress),
})

const withoutUndefined = (scene: { [K in keyof Scene]: Scene[K] | undefined }): Scene =>
  Object.values(scene).includes(undefined)
    ? (Object.fromEntries(
        Object.entries(scene).filter(([, value]) => value !== undefined),
      ) as Scene)
    : (scene as Scene)

function setPause(draft: Draft, id: string, pause: number | null) {
  setDirection(draft, id, 'pause', (bare) =>
    pause === null
      ? bare
      : `${bare} [pause ${Math.round(secondsFromSamples(pause) * 1000) / 1000}s]`,
  )
}

/** Writes what is to be seen before a scene as its direction; null takes it out. */
const setPicture = (draft: Draft, id: string, text: string | null) =>
  setDirection(draft, id, 'picture', (bare) =>
    text === null ? bare : `[picture: ${text}] ${bare}`,
  )

function setDrawn(
  draft: Draft,
  id: string,
  drawn: NonNullable<CommandOf<'adjustScenes'>['set']['drawn']>,
) {
  const written = drawn.map(({ form, text }) => `[${form}: ${text}]`)
  setDirection(draft, id, DRAWN_FORMS.join('|'), (bare) => [...written, bare].join(' '))
}

/**
 * Scenes of which nothing is offered stay as they are.
 *
 * @throws TidyError `scene_not_found` for an id the document does not have; nothing is changed then
 */
export function takeDepictions(
  document: Document,
  { sceneIds }: CommandOf<'takeDepictions'>,
): Document {
  const draft = draftOf(document)
  for (const id of sceneIds) {
    const { depiction, text } = sceneOf(draft, id)
    if (depiction?.text === text) setPicture(draft, id, depictionText(depiction))
  }
  return settle(document, draft)
}

/**
 * Rewrites a scene without its directions of some kinds, then as asked.
 *
 * @param kinds as a pattern has them
 */
function setDirection(draft: Draft, id: string, kinds: string, put: (bare: string) => string) {
  const { block, piece } = placeOf(draft.blocks, id)
  const bare = itemAt(block.pieces, piece)
    .raw.replace(new RegExp(String.raw`\s*\[\s*(?:${kinds})\b[^[\]\n]*\]`, 'gi'), '')
    .trim()
  block.pieces[piece] = { id, raw: put(bare) }
  block.changed = true
}

/** A paragraph in which several people speak now is parted where they change. */
function setSpeaker(draft: Draft, ids: ReadonlySet<string>, speaker: string) {
  draft.blocks = draft.blocks.flatMap((block) => {
    if (!block.pieces.some(({ id }) => ids.has(id))) return [block]
    const runs: Block[] = []
    for (const piece of block.pieces) {
      const speaks = ids.has(piece.id) ? speaker : block.speaker
      if (runs.at(-1)?.speaker === speaks) lastOf(runs).pieces.push(piece)
      else runs.push(paragraph(speaks, [piece]))
    }
    itemAt(runs, 0).gap = block.gap
    return runs
  })
}

/**
 * A title starts a chapter at the scene, or renames the one that starts there; null joins it to the
 * chapter before.
 */
export function setChapter(
  document: Document,
  { sceneId, title }: CommandOf<'setChapter'>,
): Document {
  const draft = draftOf(document)
  const { block, index, piece } = placeOf(draft.blocks, sceneId)
  const opens = piece === 0
  const heading = draft.blocks
    .slice(0, index)
    .findLastIndex((b) => b.heading || b.pieces.length > 0)
  const titled = opens && draft.blocks[heading]?.heading ? heading : -1
  const written: Block | undefined =
    title === null ? undefined : { ...paragraph('', []), heading: true, raw: `# ${oneLine(title)}` }
  if (titled >= 0) {
    if (written) written.gap = itemAt(draft.blocks, titled).gap
    draft.blocks.splice(titled, 1, ...(written ? [written] : []))
  } else if (written) {
    const rest = opens ? block : paragraph(block.speaker, block.pieces.splice(piece))
    if (opens) written.gap = block.gap
    else block.changed = true
    rest.gap = '\n\n'
    draft.blocks.splice(opens ? index : index + 1, opens ? 1 : 0, written, rest)
  }
  return settle(document, draft)
}
