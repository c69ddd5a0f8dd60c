import type { Track } from '../../document/subtitling.ts'
import { wordsOf } from '../../text/written-words.ts'
import type { Timeline, TimelineScene } from '../../timeline/timeline.ts'
import type { CueWord } from './cues.ts'

/** Scripts that are written without spaces: words are told by a dictionary (UAX #29). */
const UNSPACED =
  /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}]/u
/** What never begins a line (UAX #14: closing marks, small kana, marks of length). */
const NEVER_FIRST =
  /^[\p{Pe}\p{Pf}\p{M}、。，．！？：；・…ー々〻ぁぃぅぇぉっゃゅょァィゥェォッャュョ%‰℃]/u
/** What never ends one: opening marks. */
const NEVER_LAST = /[\p{Ps}\p{Pi}「『（【《〈]$/u

/**
 * The words of a film in another language, each with its share of the time its scene is spoken.
 *
 * @returns scene by scene; `[]` for a scene without a text
 */
export function trackWords({ scenes }: Pick<Timeline, 'scenes'>, { texts }: Track): CueWord[][] {
  const byScene = new Map(texts.map(({ sceneId, text }) => [sceneId, text]))
  return scenes.map((scene) => sceneWords(scene, byScene.get(scene.id) ?? ''))
}

function sceneWords(
  { words: spoken, speechStart, endSample }: TimelineScene,
  text: string,
): CueWord[] {
  const words = wordsOf(text).flatMap(wordPieces)
  const [start, end] = [spoken[0]?.start ?? speechStart, spoken.at(-1)?.end ?? endSample]
  const letters = words.reduce((sum, word) => sum + word.text.length + 1, 0)
  let passed = 0
  const share = () => Math.round(start + ((end - start) * passed) / letters)
  return words.map(({ text: word, glued }, i): CueWord => {
    const from = share()
    passed += word.length + 1
    return {
      text: word,
      start: from,
      end: share(),
      endsScene: i === words.length - 1,
      ...(glued ? { glued } : {}),
    }
  })
}

/**
 * Where a line may break within what stands between spaces.
 *
 * @example wordPieces('灯台は高い。').map(({ text }) => text) // => ['灯台', 'は', '高い。']
 */
export function wordPieces(word: string): { text: string; glued: boolean }[] {
  if (!UNSPACED.test(word)) return [{ text: word, glued: false }]
  const pieces: string[] = []
  for (const { segment } of new Intl.Segmenter(undefined, { granularity: 'word' }).segment(word)) {
    const last = pieces.at(-1)
    if (last !== undefined && (NEVER_FIRST.test(segment) || NEVER_LAST.test(last)))
      pieces[pieces.length - 1] = last + segment
    else pieces.push(segment)
  }
  return pieces.map((text, i) => ({ text, glued: i > 0 }))
}
