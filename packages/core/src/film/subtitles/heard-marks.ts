import type { FilmScene } from '../../document/film-scenes.ts'
import type { HeardMarks } from '../../document/subtitling.ts'
import { itemAt } from '../../faults/certain.ts'
import { readSound } from '../../script/asked-sound.ts'
import type { Direction } from '../../script/parse.ts'
import { readMusic } from '../music/asked-music.ts'
import { moodIn } from '../music/music-words.ts'
import type { CueWord } from './cues.ts'

/** Something heard that nobody says: who speaks now, a sound. */
interface Heard {
  /** Of the words that are said in the film, the one it stands before. */
  before: number
  text: string
  isSpeaker: boolean
}

/**
 * The words of a film's subtitles with what else is heard: a change of speakers by a dash or their
 * name, sounds in square brackets (common practice for those who cannot hear).
 *
 * @param shown  as the subtitles have them
 * @param said   as they are said, scene by scene
 * @param scenes of the film, in the same order
 */
export function withHeardMarks(
  shown: readonly CueWord[],
  said: readonly (readonly CueWord[])[],
  scenes: readonly Pick<FilmScene, 'speaker' | 'directions' | 'before'>[],
  marks: HeardMarks,
): CueWord[] {
  const heard = [...speakersHeard(said, scenes, marks), ...soundsHeard(said, scenes, marks)]
  if (!heard.length) return [...shown]
  heard.sort((a, b) => a.before - b.before || Number(b.isSpeaker) - Number(a.isSpeaker))
  const marked: CueWord[] = []
  let passed = 0
  let next = 0
  for (const word of shown) {
    const end = passed + (word.said ?? [word.text]).length
    let isFirst = true
    let opens = false
    // What is heard within words that are shown as one stands before them.
    for (let one = heard[next]; one && one.before < Math.max(end, passed + 1); one = heard[++next])
      for (const text of one.text.split(/\s+/)) {
        opens ||= one.isSpeaker
        marked.push({
          ...{ text, start: word.start, end: word.start, endsScene: false, said: [] },
          ...(isFirst ? { opens: one.isSpeaker } : { isBound: true }),
        })
        isFirst = false
      }
    marked.push(isFirst ? word : { ...word, isBound: true })
    passed = end
  }
  return marked
}

/** Where another one speaks than before; the narrator of a whole film is told nowhere. */
function speakersHeard(
  said: readonly (readonly CueWord[])[],
  scenes: readonly Pick<FilmScene, 'speaker'>[],
  { speakers }: HeardMarks,
): Heard[] {
  if (speakers === 'none') return []
  const heard: Heard[] = []
  let before = 0
  let last: string | undefined = ''
  said.forEach((words, n) => {
    const { speaker } = itemAt(scenes, n)
    const isOther = last !== '' ? speaker !== last : speaker !== undefined
    const name = speaker ? `${speaker.toLocaleUpperCase()}:` : ''
    const text = speakers === 'dash' ? '\u2013' : name
    if (words.length && isOther && text) heard.push({ before, text, isSpeaker: true })
    if (words.length) last = speaker
    before += words.length
  })
  return heard
}

/** "fire, low": how loud it is is heard by who mixes, not by who reads. */
function nameOf(direction: Direction): string {
  if (direction.kind === 'sound') return readSound(direction.text).words
  if (direction.kind !== 'music') return ''
  const { words } = readMusic(direction.text)
  const mood = moodIn(words)
  if (!words || mood === 'none') return ''
  return words === mood ? `${words} music` : words
}

function soundsHeard(
  said: readonly (readonly CueWord[])[],
  scenes: readonly Pick<FilmScene, 'directions' | 'before'>[],
  { sounds }: HeardMarks,
): Heard[] {
  if (!sounds) return []
  let passed = 0
  return said.flatMap((words, n) => {
    const start = passed
    passed += words.length
    const { directions, before = [] } = itemAt(scenes, n)
    return directions.flatMap((direction, d): Heard[] => {
      const name = nameOf(direction)
      const at = start + Math.min(before[d] ?? 0, Math.max(0, words.length - 1))
      return name && words.length ? [{ before: at, text: `[${name}]`, isSpeaker: false }] : []
    })
  })
}
