import { assertNever } from '../faults/fault.ts'
import { languageName } from '../text/language-name.ts'
import type { Command } from './command.ts'
import { STYLE_PARTS } from './style-parts.ts'

const BEGINNING_NAMES = {
  cut: 'picture of its own',
  early: 'picture that begins early',
  hold: 'picture that goes on',
}

const count = (ids: readonly string[], done: string) =>
  ids.length === 1 ? `scene ${done}` : `${ids.length} scenes ${done}`

/**
 * What a command changed, for "Undo: …".
 *
 * @returns words for a button: "Undo: …"; never empty
 */
export function commandName(command: Command): string {
  switch (command.type) {
    case 'setTitle':
      return 'title'
    case 'setScript':
      return 'script'
    case 'settleConflict':
      return 'two versions settled'
    case 'setWantedMinutes':
      return 'wanted length'
    case 'setNotes':
      return 'notes'
    case 'markClaim':
      return 'mark of a claim'
    case 'putComment':
      return 'comment'
    case 'removeComment':
      return 'comment removed'
    case 'setVoice':
      return 'voice'
    case 'setSpeaking':
      return Object.keys(command.set)
        .map(
          (name) =>
            ({
              finish: 'finish of the voice',
              pauses: 'pauses',
              tighten: 'tightening of silences',
              understudy: 'voice that stands in',
              speakers: 'voices of the speakers',
              pronunciations: 'pronunciations',
            })[name] ?? name,
        )
        .join(', ')
    case 'useTakes':
      if (command.takes.length > 1) return `takes of ${command.takes.length} scenes`
      return command.takes[0]?.take ? 'choice of a take' : 'take left to the voice'
    case 'setMood':
      return 'music'
    case 'setTransition':
      return 'transition at all cuts'
    case 'setCard':
      return `${command.card} card`
    case 'setChapter':
      return command.title === null ? 'chapter heading removed' : 'chapter heading'
    case 'editNarration':
      return 'narration of a scene'
    case 'splitScene':
      return 'scene split'
    case 'mergeScene':
      return 'scenes joined'
    case 'insertScenes':
      return command.scenes.length === 1 ? 'scene put in' : `${command.scenes.length} scenes put in`
    case 'moveScenes':
      return count(command.sceneIds, 'moved')
    case 'duplicateScenes':
      return count(command.sceneIds, 'copied')
    case 'deleteScenes':
      return count(command.sceneIds, 'removed')
    case 'adjustScenes':
      return Object.keys(command.set)
        .map(
          (name) =>
            ({
              hidden: command.set.hidden ? 'scene left out' : 'scene shown',
              length: 'length',
              pause: 'pause',
              drawn: 'words on the picture',
              speaker: 'speaker',
              voice: 'voice of a scene',
              pace: 'pace of a scene',
              emphasis: 'emphasis',
              inlays: 'pictures laid over',
              dress: 'look of what is written',
              begins: BEGINNING_NAMES[command.set.begins ?? 'cut'],
            })[name] ?? name,
        )
        .join(', ')
    case 'setSound':
      return command.text === null ? 'sound taken out' : 'sound'
    case 'setMusic':
      return command.text === null ? 'music as in the film' : 'music'
    case 'setGrade':
      return 'look of the film'
    case 'setAccents':
      return 'sounds by themselves'
    case 'setShot':
      return 'picture'
    case 'layShots':
      return command.items.length > 1 ? `${command.items.length} pictures` : 'picture'
    case 'swapShots':
      return 'two pictures exchanged'
    case 'addShot':
      return 'picture added'
    case 'removeShot':
      return 'picture removed'
    case 'moveShot':
      return 'order of pictures'
    case 'setCut':
      return 'place of a cut'
    case 'adjustShots':
      return Object.keys(command.set)
        .map(
          (name) =>
            ({
              slip: 'part of the clip',
              speed: 'speed of the clip',
              frame: 'framing',
              fit: 'framing',
              transition: 'transition',
              layout: 'layout of pictures',
              heard: 'sound of the clip',
              grade: 'look of the picture',
            })[name] ?? name,
        )
        .join(', ')
    case 'pinSense':
      return `meaning of “${command.noun}”`
    case 'refusePicture':
      return command.refusal ? 'picture turned down' : 'picture wanted again'
    case 'setPicking':
      return Object.keys(command.set)
        .map(
          (name) =>
            ({
              rhythm: 'rhythm of pictures',
              stills: 'clips and stills',
              longest: 'longest picture',
              without: 'sources of pictures',
            })[name] ?? name,
        )
        .join(', ')
    case 'setScore':
      return 'who plays the music'
    case 'setMixing':
      return Object.keys(command.set)
        .map(
          (name) =>
            ({ below: 'level of the music', rise: 'music in pauses', lufs: 'loudness' })[name] ??
            name,
        )
        .join(', ')
    case 'setMaking':
      return command.set.style === undefined
        ? 'what made pictures leave out'
        : 'style of made pictures'
    case 'offerDepictions':
      return command.scenes.some(({ depiction }) => depiction)
        ? 'what a service would show'
        : count(
            command.scenes.map(({ sceneId }) => sceneId),
            'left as it was',
          )
    case 'takeDepictions':
      return count(command.sceneIds, 'shown as offered')
    case 'placeShots':
      return 'chosen pictures'
    case 'followStyle':
      return `house style "${command.style.name}"`
    case 'setLettering':
      return 'look of what is written'
    case 'setSubtitling':
      return 'guideline of subtitles'
    case 'setTrack':
      return `subtitles in ${languageName(command.language)}`
    case 'removeTrack':
      return `subtitles in ${languageName(command.language)} removed`
    case 'keepWords':
      return command.put.length + command.drop.length > 1
        ? 'words of subtitles'
        : 'words of a subtitle'
    case 'setDrawing':
      return 'what is drawn'
    case 'setSign':
      return command.sign ? 'sign on the picture' : 'sign taken away'
    case 'backToStyle':
      return `${STYLE_PARTS[command.part].label} as the style has them`
    case 'setNames':
      return 'names on cards'
    case 'takeBack':
      return 'changes taken back'
    case 'restore':
      return 'version brought back'
    default:
      return assertNever(command)
  }
}
