import { itemAt } from '../faults/certain.ts'
import { assertNever, TidyError } from '../faults/fault.ts'
import { gradeAnew } from '../pictures/grade/grade.ts'
import { chosenItem } from '../pictures/item.ts'
import { cleanScript } from '../script/clean.ts'
import { parsedScript } from '../script/parsed-script.ts'
import { withSettings } from '../style/lettering.ts'
import { defined } from '../text/defined.ts'
import { mergeTexts } from '../text/merge-texts.ts'
import type { Command, CommandOf } from './command.ts'
import { carriedConflicts, scriptMergedOnto, scriptSettled } from './conflicts.ts'
import { consistent } from './consistent.ts'
import { type Document, emptyDocument, NOTES_LIMIT, type Scene, type Shot } from './document.ts'
import { targeted } from './draft.ts'
import { type Inverse, inverseOf, takenBack } from './inverse.ts'
import { reconcile } from './reconcile.ts'
import {
  adjustScenes,
  deleteScenes,
  duplicateScenes,
  editNarration,
  insertScenes,
  mergeScene,
  moveScenes,
  setChapter,
  splitScene,
  takeDepictions,
} from './scene-edits.ts'
import {
  adjustedShot,
  unheld,
  withAddedShot,
  withCut,
  withMovedShot,
  withoutShot,
  withShot,
} from './shot-edits.ts'
import { setHeard } from './sound-edits.ts'
import { backToStyle, withStyle } from './style-parts.ts'
import { withKept } from './subtitling.ts'
import { withoutTrack, withTrackTexts } from './track-edits.ts'

export interface Applied {
  document: Document
  /** What takes the change back, for `takenBack`. */
  inverse: Inverse
}

/**
 * Carries out one command.
 *
 * @throws TidyError what the command's own edit throws (`scene_not_found`, `shot_not_found`, …);
 *   nothing is changed then
 */
export function apply(document: Document, command: Command): Applied {
  const done = changed(document, command)
  const next =
    done.script !== document.script && done.conflicts === document.conflicts
      ? {
          ...done,
          conflicts: carriedConflicts(document.conflicts, document.script, done.script),
        }
      : done
  return { document: next, inverse: inverseOf(next, document) }
}

/** A new document with a script. @throws what `cleanScript` throws */
export const documentFrom = (title: string, script: string): Document =>
  apply(emptyDocument(title), { type: 'setScript', script }).document

function changed(document: Document, command: Command): Document {
  switch (command.type) {
    case 'setTitle':
      return { ...document, title: command.title }
    case 'setScript':
      return setScript(document, cleanScript(command.script), command.base)
    case 'settleConflict':
      return settleConflict(document, command)
    case 'setWantedMinutes':
      return { ...document, wantedMinutes: command.minutes }
    case 'setNotes':
      return {
        ...document,
        notes: mergeTexts(command.base ?? document.notes, command.notes, document.notes).text.slice(
          0,
          NOTES_LIMIT,
        ),
      }
    case 'markClaim':
      return markClaim(document, command)
    case 'putComment':
      return {
        ...document,
        comments: [
          ...document.comments.filter(({ id }) => id !== command.comment.id),
          command.comment,
        ],
      }
    case 'removeComment':
      return { ...document, comments: document.comments.filter(({ id }) => id !== command.id) }
    case 'setVoice':
      return { ...document, voice: command.voice, speed: command.speed }
    case 'setSpeaking':
      return { ...document, speaking: { ...document.speaking, ...defined(command.set) } }
    case 'useTakes':
      return command.takes.reduce(
        (changed, { sceneId, take }) =>
          withScene(changed, sceneId, ({ take: _before, ...scene }) =>
            take ? { ...scene, take: { hash: take, text: scene.text } } : scene,
          ),
        document,
      )
    case 'setMood':
      return { ...document, mood: command.mood }
    case 'setTransition':
      return { ...document, transition: command.transition }
    case 'setCard':
      return {
        ...document,
        cards: {
          ...document.cards,
          [command.card]: { ...document.cards[command.card], ...command.set },
        },
      }
    case 'setChapter':
      return setChapter(document, command)
    case 'editNarration':
      return editNarration(document, command)
    case 'splitScene':
      return splitScene(document, command)
    case 'mergeScene':
      return mergeScene(document, command)
    case 'insertScenes':
      return insertScenes(document, command)
    case 'moveScenes':
      return moveScenes(document, command)
    case 'duplicateScenes':
      return duplicateScenes(document, command.sceneIds)
    case 'deleteScenes':
      return deleteScenes(document, command.sceneIds)
    case 'adjustScenes':
      return adjustScenes(document, command)
    case 'setSound':
      return setHeard(document, 'sound', command)
    case 'setMusic':
      return setHeard(document, 'music', command)
    case 'setGrade':
      return { ...document, grade: gradeAnew(document.grade, command.set) }
    case 'setAccents':
      return { ...document, accents: { ...document.accents, ...defined(command.set) } }
    case 'setShot':
      return withScene(document, command.sceneId, (scene) =>
        withShot(scene, command.shot, command.item),
      )
    case 'layShots':
      return withScene(document, command.sceneId, (scene) => ({
        ...unheld(scene),
        shots: command.items.map((item): Shot => ({ item: chosenItem(item), by: 'hand' })),
      }))
    case 'swapShots':
      return swapShots(document, command)
    case 'addShot':
      return withScene(document, command.sceneId, (scene) => withAddedShot(scene, command))
    case 'removeShot':
      return withScene(document, command.sceneId, (scene) => withoutShot(scene, command.shot))
    case 'moveShot':
      return withScene(document, command.sceneId, (scene) => withMovedShot(scene, command))
    case 'setCut':
      return withScene(document, command.sceneId, (scene) => withCut(scene, command))
    case 'adjustShots':
      return adjustShots(document, command)
    case 'pinSense':
      return {
        ...document,
        matching: {
          ...document.matching,
          senses: [
            ...document.matching.senses.filter(({ noun }) => noun !== command.noun),
            ...(command.sense ? [{ noun: command.noun, sense: command.sense }] : []),
          ],
        },
      }
    case 'refusePicture':
      return {
        ...document,
        matching: {
          ...document.matching,
          refusals: [
            ...document.matching.refusals.filter(({ item }) => item.id !== command.item.id),
            ...(command.refusal ? [{ item: command.item, ...command.refusal }] : []),
          ],
        },
      }
    case 'setPicking':
      return { ...document, picking: { ...document.picking, ...defined(command.set) } }
    case 'setMixing':
      return { ...document, mixing: { ...document.mixing, ...defined(command.set) } }
    case 'setScore':
      return { ...document, score: { ...document.score, ...defined(command.set) } }
    case 'setMaking':
      return { ...document, making: { ...document.making, ...defined(command.set) } }
    case 'placeShots':
      return placeShots(document, command)
    case 'offerDepictions':
      return offerDepictions(document, command)
    case 'takeDepictions':
      return takeDepictions(document, command)
    case 'followStyle':
      return withStyle(document, command.style)
    case 'setLettering':
      return { ...document, lettering: withSettings(document.lettering, command.set) }
    case 'setSubtitling':
      return { ...document, subtitling: { ...document.subtitling, ...defined(command.set) } }
    case 'setTrack':
      return withTrackTexts(document, command.language, command.texts)
    case 'removeTrack':
      return withoutTrack(document, command.language)
    case 'keepWords':
      return {
        ...document,
        subtitling: {
          ...document.subtitling,
          kept: withKept(document.subtitling.kept, command),
        },
      }
    case 'setDrawing':
      return { ...document, drawing: { ...document.drawing, ...defined(command.set) } }
    case 'setSign':
      return {
        ...document,
        sign: command.sign && { ...command.sign, item: chosenItem(command.sign.item) },
      }
    case 'backToStyle':
      return backToStyle(document, command.part)
    case 'setNames':
      return { ...document, ...defined(command.set) }
    case 'takeBack':
      return consistent(takenBack(document, command.inverse))
    case 'restore':
      return consistent({
        ...command.document,
        nextId: Math.max(document.nextId, command.document.nextId),
      })
    default:
      return assertNever(command)
  }
}

function markClaim(
  document: Document,
  { sentence, words, found }: CommandOf<'markClaim'>,
): Document {
  const others = document.claims.filter(
    (claim) => claim.sentence !== sentence || claim.words !== words,
  )
  return { ...document, claims: found ? [...others, { sentence, words, ...found }] : others }
}

function setScript(document: Document, written: string, base = document.script): Document {
  const merged = scriptMergedOnto(document, base, written)
  return {
    ...document,
    ...merged,
    ...reconcile(parsedScript(merged.script).scenes, document.scenes, merged.nextId),
  }
}

function settleConflict(document: Document, { id, keep }: CommandOf<'settleConflict'>): Document {
  const conflict = document.conflicts.find((one) => one.id === id)
  if (!conflict) return document
  const settled = {
    ...document,
    conflicts: document.conflicts.filter((one) => one !== conflict),
  }
  return setScript(settled, scriptSettled(document.script, conflict, keep))
}

function withScene(document: Document, id: string, edit: (scene: Scene) => Scene): Document {
  const index = document.scenes.findIndex((scene) => scene.id === id)
  if (index < 0) throw new TidyError('scene_not_found', { sceneId: id })
  return { ...document, scenes: document.scenes.with(index, edit(itemAt(document.scenes, index))) }
}

function swapShots(document: Document, { a, b }: CommandOf<'swapShots'>): Document {
  const itemAt = ({ sceneId, shot }: typeof a) => {
    const scene = document.scenes.find(({ id }) => id === sceneId)
    if (!scene) throw new TidyError('scene_not_found', { sceneId })
    if (!scene.shots[shot]) throw new TidyError('shot_not_found', { shot })
    return scene.shots[shot].item
  }
  const [one, other] = [itemAt(a), itemAt(b)]
  const swapped = withScene(document, a.sceneId, (scene) => withShot(scene, a.shot, other))
  return withScene(swapped, b.sceneId, (scene) => withShot(scene, b.shot, one))
}

function adjustShots(
  document: Document,
  { target, shot, set }: CommandOf<'adjustShots'>,
): Document {
  const ids = targeted(document, target)
  const adjusted = (scene: Scene): Scene => ({
    ...scene,
    shots: scene.shots.map((s, i) => (shot === null || i === shot ? adjustedShot(s, set) : s)),
  })
  return {
    ...document,
    scenes: document.scenes.map((scene) => (ids.has(scene.id) ? adjusted(scene) : scene)),
  }
}

function offerDepictions(
  document: Document,
  { scenes: offered }: CommandOf<'offerDepictions'>,
): Document {
  const offers = new Map(offered.map((offer) => [offer.sceneId, offer]))
  return {
    ...document,
    scenes: document.scenes.map((scene) => {
      const offer = offers.get(scene.id)
      if (offer?.text !== scene.text) return scene
      const { depiction: _before, ...bare } = scene
      return offer.depiction
        ? { ...bare, depiction: { ...offer.depiction, text: scene.text } }
        : bare
    }),
  }
}

function placeShots(document: Document, { scenes: places }: CommandOf<'placeShots'>): Document {
  const placed = new Map(places.map((place) => [place.sceneId, place]))
  return {
    ...document,
    scenes: document.scenes.map((scene) => {
      const place = placed.get(scene.id)
      return place && place.text === scene.text ? scenePlaced(scene, place) : scene
    }),
  }
}

type Place = CommandOf<'placeShots'>['scenes'][number]

/** Nothing is held over a picture chosen by hand, nor where a person said how it begins. */
function scenePlaced({ begins, ...scene }: Scene, place: Place): Scene {
  const shots = shotsPlaced(scene.shots, place.items.map(chosenItem))
  if (begins?.by === 'hand') return { ...scene, shots, begins }
  const isFree = place.begins?.how !== 'hold' || shots.every(({ by }) => by === 'match')
  return place.begins && isFree
    ? { ...scene, shots, begins: { ...place.begins, by: 'match' } }
    : { ...scene, shots }
}

/**
 * What matching chose in place of what it chose before; a picture chosen by hand stays where it is.
 */
function shotsPlaced(shots: readonly Shot[], items: readonly Shot['item'][]): Shot[] {
  const kept = shots.flatMap((shot, i): Shot[] => {
    if (shot.by === 'hand') return [shot]
    return items[i] ? [{ ...shot, item: items[i] }] : []
  })
  return [...kept, ...items.slice(shots.length).map((item): Shot => ({ item, by: 'match' }))]
}
