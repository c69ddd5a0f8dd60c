import { describe, expect, it } from 'vitest'
import { filmLetters } from '../film/film-letters.ts'
import { frameOf } from '../film/lettering/frame.ts'
import { overlaps } from '../film/lettering/frame.ts'
import { cueBox, cueStyle } from '../film/subtitles/cue-place.ts'
import { filmCues } from '../film/subtitles/film-cues.ts'
import { timeline } from '../timeline/timeline.ts'
import { apply, documentFrom } from './apply.ts'
import type { Command } from './command.ts'
import { filmOf } from './film-scenes.ts'
import { copiedScenes } from './scene-edits.ts'

const WIDE = { width: 1920, height: 1080 }
const run = (document = START, ...commands: Command[]) =>
  commands.reduce((film, command) => apply(film, command).document, document)
const START = documentFrom(
  'T',
  'Why? [number: 20 miles] The light is seen for 20 miles. [number: 3 keepers] There were 3 keepers.',
)
const dress = (target: string[], set: object): Command => ({
  type: 'adjustScenes',
  target,
  set: { dress: set },
})
const [, SECOND, THIRD] = START.scenes.map(({ id }) => id) as [string, string, string]
const FIGURES = { supers: { figures: { ground: 'plate', size: 0.05 } } }

function letters(document: typeof START) {
  const film = filmOf(document)
  return filmLetters(timeline(film, [], [30, 1]), film, WIDE)
}

describe('how one scene looks', () => {
  it('is put over how the film looks, for its scene alone, and kept through copying', () => {
    const dressed = run(START, dress([SECOND], FIGURES))
    const [ours, other] = letters(dressed).supers
    expect(ours?.own).toEqual(FIGURES.supers.figures)
    expect(other?.own).toBeUndefined()
    expect(ours!.box.height).toBeLessThan(other!.box.height)
    expect(copiedScenes(dressed, [SECOND])[0]).toMatchObject({ dress: FIGURES })
    const twice = run(dressed, { type: 'duplicateScenes', sceneIds: [SECOND] })
    expect(twice.scenes.filter((scene) => scene.dress)).toHaveLength(2)
  })
  it('takes some of it anew and leaves the rest; null is as in the film, and undone it is back', () => {
    const dressed = run(
      START,
      dress([SECOND], FIGURES),
      dress([SECOND], { supers: { figures: { size: 0.1 } }, subtitle: { place: 'head' } }),
    )
    expect(dressed.scenes[1]!.dress).toEqual({
      supers: { figures: { ground: 'plate', size: 0.1 } },
      subtitle: { place: 'head' },
    })
    const bare = run(
      dressed,
      dress([SECOND], { supers: { figures: null } }),
      dress([SECOND], { subtitle: null }),
    )
    expect(bare.scenes[1]).not.toHaveProperty('dress')
    expect(bare).toEqual(START)
  })
  it('ends a subtitle where the place changes, and moves what would lie under it', () => {
    const plain = filmOf(START)
    const plan = timeline(plain, [], [30, 1])
    const moved = filmOf(run(START, dress([SECOND], { subtitle: { place: 'head', height: 0.1 } })))
    const cues = filmCues(plan, moved, WIDE)
    expect(cues.map(({ at }) => at?.place)).toEqual([undefined, 'head', undefined])
    expect(filmCues(plan, plain, WIDE)[0]!.lines.join(' ')).toContain('Why? The')
    const frame = frameOf(WIDE.width, WIDE.height)
    const { supers } = filmLetters(plan, moved, WIDE)
    const box = cueBox(cues[1]!, cueStyle(cues[1]!, moved.lettering.subtitle), frame)
    expect(box.y).toBeLessThan(frame.height / 2)
    expect(supers.filter((one) => overlaps(one.box, box) && one.start < cues[1]!.end)).toEqual([])
    expect(THIRD).toBe(START.scenes[2]!.id)
  })
})
