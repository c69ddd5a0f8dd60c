import type { CommandOf } from '@tidy-reel/core/document/command'
import type { FilmScene } from '@tidy-reel/core/document/film-scenes'
import { type AskedMusic, musicText, readMusic } from '@tidy-reel/core/film/music/asked-music'
import type { AskedStretch } from '@tidy-reel/core/script/asked-pieces'

/** What the script says of the music of a stretch, and where it says so. */
export interface SaidMusic {
  /** The scene it stands in, or would. */
  sceneId: string
  /** Which of its scene's it is; undefined where nothing is said. */
  index?: number
  asked: AskedMusic
}

type Scenes = readonly FilmScene[]

/** What is said of the music of a scene, of its chapter, or from it on. */
export function saidMusic(
  scenes: Scenes,
  sceneId: string,
  stretch: AskedStretch,
): SaidMusic | undefined {
  const scene = scenes.find(({ id }) => id === sceneId)
  const holder =
    stretch === 'chapter'
      ? scenes.find(({ card, chapter }) => card === undefined && chapter === scene?.chapter)
      : scene
  if (!holder) return undefined
  const read = holder.directions
    .flatMap((one) => (one.kind === 'music' ? [one.text] : []))
    .map(readMusic)
  const index = read.findIndex(({ lasts = 'chapter' }) => lasts === stretch)
  const asked = read[index]
  return asked ? { sceneId: holder.id, index, asked } : { sceneId: holder.id, asked: { words: '' } }
}

/** The command that changes it; undefined where there is nothing to change. */
export function musicChange(
  scenes: Scenes,
  sceneId: string,
  stretch: AskedStretch,
  change: (asked: AskedMusic) => AskedMusic,
): CommandOf<'setMusic'> | undefined {
  const said = saidMusic(scenes, sceneId, stretch)
  if (!said) return undefined
  const { lasts: _lasts, ...asked } = change(said.asked)
  const text = musicText(stretch === 'chapter' ? asked : { ...asked, lasts: stretch })
  if (!text && said.index === undefined) return undefined
  return {
    type: 'setMusic',
    sceneId: said.sceneId,
    text: text || null,
    ...(said.index === undefined ? {} : { index: said.index }),
  }
}
