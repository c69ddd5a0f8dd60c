import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { apply, documentFrom } from '@tidy-reel/core/document/apply'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { chosenItem } from '@tidy-reel/core/pictures/item'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import { timeline } from '@tidy-reel/core/timeline/timeline'
import { clip, item, memoryLibrary } from '../../test/lying-library.ts'
import { channelsIn } from '../read-wav.ts'
import { effectsMixer } from './effects-mixer.ts'
import { filmEffects } from './film-effects.ts'

const folder = mkdtempSync(join(tmpdir(), 'tidy-clips-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** A clip with a tone that begins after its first second. */
function sounding(name: string): string {
  const silent = clip(`${name}-silent`)
  const file = silent.replace('-silent', '')
  const tone = 'sine=frequency=440:sample_rate=48000:duration=2,adelay=1000'
  execFileSync('ffmpeg', [
    ...['-v', 'error', '-y', '-i', silent, '-f', 'lavfi', '-i', tone, '-c:v', 'copy'],
    ...['-c:a', 'aac', '-shortest', file],
  ])
  return file
}
const library = memoryLibrary({ sea: sounding('sea'), mute: clip('mute') })

/** A film of one sentence on a picture whose sound is let through. */
function heard(id: string) {
  const document = documentFrom('Test', 'The sea was loud that night.')
  const sceneId = document.scenes[0]!.id
  const of = chosenItem(item(id, 'clip'))
  const shown = apply(document, { type: 'setShot', sceneId, shot: 0, item: of }).document
  const set = { heard: { db: 0, fade: 0 } }
  const film = filmOf(apply(shown, { type: 'adjustShots', target: 'all', shot: 0, set }).document)
  return { plan: timeline(film, [], [30, 1]), film }
}
const level = (pcm: Float32Array) => Math.sqrt(pcm.reduce((sum, x) => sum + x * x, 0) / pcm.length)

describe('filmEffects', () => {
  it('lets a clip be heard as its file has it, and mixes it where the clip is seen', async () => {
    const effects = await filmEffects(folder, { ...heard('sea'), library })
    const [cue] = effects.cues
    expect(effects.remarks).toEqual([])
    expect(cue?.sound).toMatchObject({ title: 'A sea', author: 'nobody', licence: 'CC0' })
    expect(Math.abs(cue!.sound.loopSamples - 3 * SAMPLE_RATE)).toBeLessThan(SAMPLE_RATE / 20)
    const [left] = await channelsIn(join(folder, `${cue!.sound.hash}.wav`))
    expect(level(left.subarray(0, 0.9 * SAMPLE_RATE))).toBeLessThan(0.002)
    expect(level(left.subarray(1.1 * SAMPLE_RATE, 2 * SAMPLE_RATE))).toBeGreaterThan(0.3)
    const mixed = await effectsMixer(effects, [])(0, 2 * SAMPLE_RATE)
    const [quiet, loud] = [mixed.all[0].subarray(0, 43_000), mixed.all[0].subarray(53_000)]
    expect(level(loud)).toBeGreaterThan(20 * level(quiet))
  })
  it('says which clip has no sound or cannot be had, and goes on', async () => {
    const mute = await filmEffects(folder, { ...heard('mute'), library })
    expect(mute.cues).toEqual([])
    expect(mute.remarks).toEqual(['Scene 1: “A mute” has no sound of its own.'])
    const away = {
      ...library,
      download: () => Promise.reject(new TidyError('stock_unreachable', { address: 'x' })),
    }
    const gone = await filmEffects(folder, { ...heard('gone'), library: away })
    expect(gone.remarks).toEqual([expect.stringContaining('“A gone” is not heard: ')])
    // What was listened to is not fetched again.
    const again = await filmEffects(folder, { ...heard('sea'), library: away })
    expect(again.cues).toHaveLength(1)
  })
})
