import { z } from 'zod'
import { GradeSettings } from '../pictures/grade/grade.ts'
import { Layout } from '../pictures/inlay.ts'
import { ChosenItem } from '../pictures/item.ts'
import { Move } from '../pictures/view.ts'
import { DRAWN_FORMS } from '../script/drawn.ts'
import { Accents, Mixing, MOODS, Score } from '../style/film-choices.ts'
import { HouseStyle } from '../style/house-style.ts'
import { LetteringSettings } from '../style/lettering.ts'
import { Transition } from '../style/transition.ts'
import {
  BEGINNINGS,
  Card,
  CheckedClaim,
  ChosenTake,
  Comment,
  Conflict,
  Document,
  Drawing,
  LENGTH_LIMIT,
  Making,
  Matching,
  OfferedDepiction,
  Picking,
  Refusal,
  Scene,
  Shot,
  SHOTS_LIMIT,
  SpeakerName,
  Speaking,
} from './document.ts'
import { DressSettings } from './dress.ts'
import { Inverse } from './inverse.ts'
import { STYLE_PART_NAMES } from './style-parts.ts'
import { KeptWords, Language, Subtitling, Track } from './subtitling.ts'

const sceneId = Scene.shape.id
const shot = z.number().int().min(0).max(11)

/** Scenes a setting is made for: all, those of a scene's chapter, or the ones named. */
export const Target = z.union([
  z.literal('all'),
  z.object({ chapterOf: sceneId }),
  z.array(sceneId).min(1).max(5000),
])
export type Target = z.infer<typeof Target>

/** Where scenes are put: before or after another, or at the end. */
export const ScenePlace = z.union([
  z.object({ before: sceneId }),
  z.object({ after: sceneId }),
  z.literal('end'),
])
export type ScenePlace = z.infer<typeof ScenePlace>

/** A scene on its way into a film: from another place, another episode, or just written. */
export const NewScene = z.object({
  /** Narration with its directions, as a script has it. */
  script: z.string().min(1).max(20_000),
  speaker: z.string().max(32).default(''),
  shots: Scene.shape.shots.default([]),
  hidden: Scene.shape.hidden,
  length: Scene.shape.length,
  inlays: Scene.shape.inlays,
  dress: Scene.shape.dress,
})
export type NewScene = z.infer<typeof NewScene>

/** What is drawn on one scene's picture, at most, by a command. */
export const DRAWN_LIMIT = 6

/** Words that can stand in a direction of the script. */
const directionWords = (most: number) =>
  z
    .string()
    .trim()
    .min(1)
    .max(most)
    .regex(/^[^[\]\n]*$/, 'words without square brackets')

/** Something heard that the script asks for. */
const heardDirection = {
  sceneId,
  index: z.number().int().min(0).max(200).optional(),
  text: directionWords(300).nullable(),
  to: z.object({ sceneId, word: z.number().int().min(0).max(5000) }).optional(),
}

/** Settings of scenes; null takes a setting back to what it is by itself, left out it stays. */
const SceneSettings = z.object({
  hidden: z.boolean().optional(),
  length: z.number().int().positive().max(LENGTH_LIMIT).nullish(),
  /** Samples of silence after the voice; written into the script as `[pause …]`. */
  pause: z.number().int().min(0).max(LENGTH_LIMIT).nullish(),
  /** Everything written or drawn on its picture, in order, in place of what was there. */
  drawn: z
    .array(z.object({ form: z.enum(DRAWN_FORMS), text: directionWords(300) }))
    .max(DRAWN_LIMIT)
    .nullish(),
  /** What is to be seen; written into the script as `[picture: …]`. */
  picture: directionWords(300).nullish(),
  speaker: SpeakerName.or(z.literal('')).nullish(),
  voice: Scene.shape.voice.unwrap().nullish(),
  pace: Scene.shape.pace.unwrap().nullish(),
  emphasis: Scene.shape.emphasis.unwrap().nullish(),
  /** Where its picture begins; null leaves it to matching again. */
  begins: z.enum(BEGINNINGS).nullish(),
  /** Stills laid over its pictures, in place of those that were. */
  inlays: Scene.shape.inlays.unwrap().nullish(),
  /** How what is written on it looks; what is not named of it stays, null is as in the film. */
  dress: DressSettings.nullish(),
})

/** Settings of shots, as above. */
const ShotSettings = z.object({
  slip: Shot.shape.slip.unwrap().or(z.literal(0)).nullish(),
  speed: Shot.shape.speed.unwrap().nullish(),
  frame: Move.nullish(),
  fit: Shot.shape.fit.unwrap().nullish(),
  transition: Transition.nullish(),
  layout: Layout.nullish(),
  heard: Shot.shape.heard.unwrap().nullish(),
  /** Its own colours: of each, what is not named stays. */
  grade: GradeSettings.nullish(),
})

/** Every change of a document, as data. */
export const Command = z.discriminatedUnion('type', [
  z.object({ type: z.literal('setTitle'), title: z.string().trim().min(1).max(200) }),
  /** A script, in place of what is there or, with the one it was written on, merged with that. */
  z.object({ type: z.literal('setScript'), script: z.string(), base: z.string().optional() }),
  /** Takes out one of two versions, or lets both stand; nothing where it is settled already. */
  z.object({
    type: z.literal('settleConflict'),
    id: Conflict.shape.id,
    keep: z.enum(['first', 'second', 'both']),
  }),
  z.object({ type: z.literal('setWantedMinutes'), minutes: Document.shape.wantedMinutes }),
  /** Notes; with those they were written on, merged with what is there. */
  z.object({
    type: z.literal('setNotes'),
    notes: Document.shape.notes,
    base: Document.shape.notes.optional(),
  }),
  /** What was found out about a claim, in place of what was known; null forgets it. */
  z.object({
    type: z.literal('markClaim'),
    sentence: CheckedClaim.shape.sentence,
    words: CheckedClaim.shape.words,
    found: CheckedClaim.omit({ sentence: true, words: true }).nullable(),
  }),
  /** A comment, new or in place of the one with its id. */
  z.object({ type: z.literal('putComment'), comment: Comment }),
  z.object({ type: z.literal('removeComment'), id: Comment.shape.id }),
  z.object({
    type: z.literal('setVoice'),
    voice: Document.shape.voice,
    speed: Document.shape.speed,
  }),
  /** How the film is spoken; what is left out stays. */
  z.object({ type: z.literal('setSpeaking'), set: Speaking.partial() }),
  /** Takes a person chose for scenes; null lets its voice speak. */
  z.object({
    type: z.literal('useTakes'),
    takes: z
      .array(z.object({ sceneId, take: ChosenTake.shape.hash.nullable() }))
      .min(1)
      .max(5000),
  }),
  z.object({ type: z.literal('setMood'), mood: z.enum(MOODS) }),
  /** The transition at every cut that has none of its own. */
  z.object({ type: z.literal('setTransition'), transition: Transition }),
  z.object({
    type: z.literal('setCard'),
    card: z.enum(['opening', 'closing']),
    set: Card.partial(),
  }),
  /** The chapter beginning at a scene; null joins it to the one before. */
  z.object({
    type: z.literal('setChapter'),
    sceneId,
    title: z
      .string()
      .trim()
      .regex(/[\p{L}\p{N}]/u, 'a title of letters or digits')
      .max(200)
      .nullable(),
  }),
  /**
   * Replaces a scene's narration; empty text takes the scene out. With the narration it was written
   * on, it is merged with what is there.
   */
  z.object({
    type: z.literal('editNarration'),
    sceneId,
    text: z.string().max(20_000),
    base: z.string().max(20_000).optional(),
  }),
  /** Parts a scene before a character of its narration. */
  z.object({ type: z.literal('splitScene'), sceneId, at: z.number().int() }),
  /** Makes one scene of this and the next. */
  z.object({ type: z.literal('mergeScene'), sceneId }),
  z.object({
    type: z.literal('insertScenes'),
    place: ScenePlace,
    scenes: z.array(NewScene).min(1).max(1000),
  }),
  z.object({
    type: z.literal('moveScenes'),
    sceneIds: z.array(sceneId).min(1).max(5000),
    place: ScenePlace,
  }),
  z.object({ type: z.literal('duplicateScenes'), sceneIds: z.array(sceneId).min(1).max(1000) }),
  z.object({ type: z.literal('deleteScenes'), sceneIds: z.array(sceneId).min(1).max(5000) }),
  z.object({ type: z.literal('adjustScenes'), target: Target, set: SceneSettings }),
  /** A person's choice for one shot; `null` shows a plain card. One past the last adds a shot. */
  z.object({ type: z.literal('setShot'), sceneId, shot, item: ChosenItem.nullable() }),
  /** Pictures laid on a scene in place of those it has, sharing it evenly. */
  z.object({
    type: z.literal('layShots'),
    sceneId,
    items: z.array(ChosenItem).min(1).max(SHOTS_LIMIT),
  }),
  /** Two pictures change places. */
  z.object({
    type: z.literal('swapShots'),
    a: z.object({ sceneId, shot }),
    b: z.object({ sceneId, shot }),
  }),
  z.object({
    type: z.literal('addShot'),
    sceneId,
    shot,
    item: ChosenItem.nullable(),
    word: Shot.shape.word,
  }),
  z.object({ type: z.literal('removeShot'), sceneId, shot }),
  /** Changes the order of pictures; the cuts stay where they are. */
  z.object({ type: z.literal('moveShot'), sceneId, from: shot, to: shot }),
  /** The word a shot begins at; null lets it be found. */
  z.object({ type: z.literal('setCut'), sceneId, shot, word: Shot.shape.word.unwrap().nullable() }),
  /** Settings of one shot of each scene, or of all when `shot` is null. */
  z.object({
    type: z.literal('adjustShots'),
    target: Target,
    shot: shot.nullable(),
    set: ShotSettings,
  }),
  /** What a noun means in this film; null leaves it to its context. */
  z.object({
    type: z.literal('pinSense'),
    noun: Matching.shape.senses.element.shape.noun,
    sense: Matching.shape.senses.element.shape.sense.nullable(),
  }),
  /** A picture that is not wanted in this film, and why; null wants it again. */
  z.object({
    type: z.literal('refusePicture'),
    item: ChosenItem,
    refusal: Refusal.omit({ item: true }).nullable(),
  }),
  /** How pictures are chosen for this film; what is left out stays. */
  z.object({ type: z.literal('setPicking'), set: Picking.partial() }),
  /** Music against voice, and the film's loudness; what is left out stays. */
  z.object({ type: z.literal('setMixing'), set: Mixing.partial() }),
  /** Who plays the film's music, and how; what is left out stays. */
  z.object({ type: z.literal('setScore'), set: Score.partial() }),
  /** How pictures are made for this film; what is left out stays. */
  z.object({ type: z.literal('setMaking'), set: Making.partial() }),
  /**
   * What matching chose; skipped where the narration changed meanwhile, and at shots chosen by
   * hand.
   */
  z.object({
    type: z.literal('placeShots'),
    scenes: z
      .array(
        z.object({
          sceneId,
          text: z.string(),
          items: z.array(ChosenItem).max(SHOTS_LIMIT),
          /** Where its picture begins, if not with the scene, and which scene is before it. */
          begins: z.object({ how: z.enum(['early', 'hold']), after: sceneId }).optional(),
        }),
      )
      .max(5000),
  }),
  /**
   * What a service would show, in place of what it offered before; null takes an offer away. Skipped
   * where the narration changed meanwhile.
   */
  z.object({
    type: z.literal('offerDepictions'),
    scenes: z
      .array(
        z.object({
          sceneId,
          text: z.string(),
          depiction: OfferedDepiction.omit({ text: true }).nullable(),
        }),
      )
      .min(1)
      .max(5000),
  }),
  /** Writes what is offered for scenes into the script, as their directions. */
  z.object({
    type: z.literal('takeDepictions'),
    sceneIds: z.array(sceneId).min(1).max(5000),
  }),
  /**
   * A sound of the script: the scene's so-manieth, or a new one; null takes it out. `to` is where it
   * stands from now on, before a word.
   */
  z.object({ type: z.literal('setSound'), ...heardDirection }),
  /** Music of the script, in the same way: what is played from its place on, and how. */
  z.object({ type: z.literal('setMusic'), ...heardDirection }),
  /** Sounds that come by themselves; what is left out stays. */
  z.object({ type: z.literal('setAccents'), set: Accents.partial() }),
  /** Colours of all pictures; what is left out stays. */
  z.object({ type: z.literal('setGrade'), set: GradeSettings }),
  /** The house style the film follows from now on; what was set by hand stays. */
  z.object({ type: z.literal('followStyle'), style: HouseStyle }),
  /** How what is written and drawn looks; what is left out stays. */
  z.object({ type: z.literal('setLettering'), set: LetteringSettings }),
  /** The guideline that subtitles keep to; what is left out stays. */
  z.object({
    type: z.literal('setSubtitling'),
    set: Subtitling.omit({ kept: true, tracks: true }).partial(),
  }),
  /** Subtitles in another language, scene by scene; an empty text takes one away. */
  z.object({
    type: z.literal('setTrack'),
    language: Language,
    texts: z
      .array(z.object({ sceneId, text: Track.shape.texts.element.shape.text.or(z.literal('')) }))
      .max(5000),
  }),
  z.object({ type: z.literal('removeTrack'), language: Language }),
  /** Spoken words that are shown in other words from now on, and those that no longer are. */
  z.object({
    type: z.literal('keepWords'),
    put: z.array(KeptWords).max(1000),
    drop: z.array(KeptWords).max(1000),
  }),
  /** How much is drawn without being asked for, and what is not; what is left out stays. */
  z.object({ type: z.literal('setDrawing'), set: Drawing.partial() }),
  /** The channel's mark on the picture; null for none. */
  z.object({ type: z.literal('setSign'), sign: Document.shape.sign }),
  /** A part as the film's house style has it. */
  z.object({ type: z.literal('backToStyle'), part: z.enum(STYLE_PART_NAMES) }),
  /** The channel's name and the next film's, for the words of cards; what is left out stays. */
  z.object({
    type: z.literal('setNames'),
    set: Document.pick({ channel: true, next: true }).partial(),
  }),
  /** Takes changes back, given what leads back from them. */
  z.object({ type: z.literal('takeBack'), inverse: Inverse }),
  /** Brings a kept version back. */
  z.object({ type: z.literal('restore'), document: Document }),
])
export type Command = z.infer<typeof Command>
export type CommandOf<T extends Command['type']> = Extract<Command, { type: T }>
