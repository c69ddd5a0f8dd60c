import { execFileSync } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { documentFrom } from '@tidy-reel/core/document/apply'
import { filmOf } from '@tidy-reel/core/document/film-scenes'
import { packagedSounds } from './packaged-sounds.ts'
import { soundFacts, soundFile } from './sound-file.ts'
import { filmSounds, knownSounds, listedSounds, soundsFor } from './sound-library.ts'

const folder = mkdtempSync(join(tmpdir(), 'tidy-sounds-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** A file ffmpeg makes, from what it makes it of. */
function file(name: string, ...args: string[]): string {
  const path = join(folder, name)
  execFileSync('ffmpeg', ['-v', 'error', '-nostdin', '-y', ...args, path])
  return path
}
const own = (name: string, path: string, goesOn = false) => ({
  id: `own-${name}`,
  title: name,
  words: '',
  goesOn,
  seconds: 0,
  author: 'me',
  licence: 'Own',
  source: 'own file',
  file: path,
})

describe('packagedSounds', () => {
  it('are there with author, source and a licence that allows them, as their package says', async () => {
    const sounds = await packagedSounds()
    expect(sounds.length).toBeGreaterThanOrEqual(20)
    expect(sounds.find(({ title }) => title === 'An old record')?.seconds).toBeCloseTo(8, 2)
    for (const { author, source, licence } of sounds) {
      expect(author).toMatch(/\p{L}/u)
      expect(author).not.toMatch(/^\d{4}/)
      expect(source).toMatch(/^https?:/)
      expect(licence).toBe('CC0')
    }
  })
})

describe('soundsFor', () => {
  it('finds 80 kinds and more, a person\u2019s own before others that fit alike', async () => {
    const mine = own('Rain', '/nowhere.wav')
    const sounds = [mine, ...(await listedSounds(folder))]
    expect(sounds.length).toBeGreaterThan(80)
    expect((await soundsFor('rain', sounds))[0]?.sound.id).toBe('own-Rain')
  })
  // Words that stand in no title: by what is known of a sound or by what it means.
  it.each([
    ['ravens', 'A crow'],
    ['downpour', 'Heavy rain'],
    ['locomotive', 'A steam engine'],
    ['ocean', 'Waves on a beach'],
    ['blizzard', 'Storm wind'],
    ['lullaby', undefined],
    ['mortgage', undefined],
  ])('finds for “%s” %s', async (words, title) => {
    const [best] = await soundsFor(words, await listedSounds(folder))
    expect(best?.sound.title).toBe(title)
  })
})

describe('soundFacts', () => {
  let wide: string
  beforeAll(() => {
    wide = file(
      'wide.wav',
      ...['-f', 'lavfi', '-i', 'sine=440:duration=2:sample_rate=192000'],
      ...['-ac', '8', '-c:a', 'pcm_s24le'],
    )
  })
  it('reads 24 bits, 192 kHz, eight channels as a sound of 48 kHz stereo', async () => {
    const facts = await soundFacts(folder, own('wide', wide))
    expect(facts.loopSamples).toBeCloseTo(96_000, -2)
    const probe = execFileSync('ffprobe', [
      ...['-v', 'error', '-show_entries', 'stream=sample_rate,channels', '-of', 'csv=p=0'],
      soundFile(folder, facts.hash),
    ])
    expect(probe.toString().trim()).toBe('48000,2')
  })
  it('reads a WAV whose head lies about its length', async () => {
    const head = readFileSync(wide)
    const data = head.indexOf('data')
    head.writeUInt32LE(0xffff_ff00, data + 4)
    const lying = join(folder, 'lying.wav')
    writeFileSync(lying, head)
    expect((await soundFacts(folder, own('lying', lying))).seconds).toBeCloseTo(2, 1)
  })
  it.each([
    ['silence', () => file('silence.wav', '-f', 'lavfi', '-i', 'anullsrc=d=1')],
    ['a picture', () => file('picture.png', '-f', 'lavfi', '-i', 'color=d=0.04', '-frames:v', '1')],
    [
      'half a file',
      () => {
        const path = join(folder, 'half.mp3')
        writeFileSync(path, 'ID3')
        return path
      },
    ],
  ])('refuses %s in a sentence and keeps nothing of it', async (name, make) => {
    const sound = own(name, make())
    const before = readdirSync(folder).length
    await expect(soundFacts(folder, sound)).rejects.toThrow(/cannot be used as a sound/)
    expect(readdirSync(folder)).toHaveLength(before)
  })
  it('reads three minutes of a longer one at most', async () => {
    const long = file('long.wav', '-f', 'lavfi', '-i', 'sine=300:duration=190')
    expect((await soundFacts(folder, own('long', long, true))).seconds).toBeLessThanOrEqual(180)
  })
})

describe('filmSounds', () => {
  const film = filmOf(
    documentFrom('Sea', '[sound: gulls, low] The sea is calm. [sound: zither] It was still.'),
  )
  it('finds and makes what a script asks for, once, and says where nothing fits', async () => {
    const sounds = await listedSounds(folder)
    expect(await knownSounds(folder, film, sounds)).toEqual({})
    const made = await filmSounds(folder, film, sounds)
    expect(made).toMatchObject({ gulls: { title: 'Gulls' }, zither: null })
    expect(existsSync(soundFile(folder, made.gulls!.hash))).toBe(true)
    expect(await knownSounds(folder, film, sounds)).toEqual(made)
  })
})
