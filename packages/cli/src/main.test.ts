import { execFile } from 'node:child_process'
import { cpSync, existsSync, mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { describe, expect, it, vi } from 'vitest'
import { bytes, item, json, photograph, withServer } from '@tidy-reel/engine/test/lying-library'
import { ebur128, probe } from '@tidy-reel/engine/test/media-facts'
import { main } from './main.ts'

const BIN = fileURLToPath(new URL('../bin/tidy-reel.mjs', import.meta.url))
const data = mkdtempSync(join(tmpdir(), 'tidy-shell-'))
const file = (name: string, content: string | Buffer) => {
  const path = join(data, name)
  writeFileSync(path, content)
  return path
}

interface Ran {
  code: number
  stdout: string
  stderr: string
}

/** Runs the shell command as a person would, in a process of its own. */
function shell(args: string[], environment: Record<string, string> = {}): Promise<Ran> {
  return new Promise((resolve) => {
    execFile(
      process.execPath,
      [BIN, ...args],
      { env: { ...process.env, TIDY_DATA: data, ...environment }, maxBuffer: 1 << 26 },
      (error, stdout, stderr) =>
        resolve({ code: error ? Number(error.code ?? 1) : 0, stdout, stderr }),
    )
  })
}

/** The same inside this process: quicker, for the many small cases. */
async function tidy(args: string[], environment: Record<string, string> = {}): Promise<Ran> {
  const heard = { stdout: '', stderr: '' }
  const spies = (['stdout', 'stderr'] as const).map((stream) =>
    vi.spyOn(process[stream], 'write').mockImplementation((text) => {
      heard[stream] += String(text)
      return true
    }),
  )
  for (const [key, value] of Object.entries({ TIDY_DATA: data, TIDY_STOCK: '', ...environment }))
    vi.stubEnv(key, value || undefined)
  const code = await main(['node', 'tidy-reel', ...args])
  for (const spy of spies) spy.mockRestore()
  vi.unstubAllEnvs()
  return { code, ...heard }
}
const SCRIPT = file(
  'lamp.txt',
  '# The lamp\nThe lamp burns above the sea. [picture: a harbour at dawn]\n\nIt was lit in 1822, and the keeper wound it by hand every four hours through the long night.',
)

describe('tidy-reel scenes', () => {
  it('prints one JSON value on stdout alone', async () => {
    const { code, stdout } = await shell(['scenes', SCRIPT, '--json'])
    const { scenes } = JSON.parse(stdout) as {
      scenes: { n: number; chapter: string; text: string; words: string[]; seconds: number }[]
    }
    expect(code).toBe(0)
    expect(scenes.map(({ n, chapter }) => [n, chapter])).toEqual([
      [1, 'The lamp'],
      [2, 'The lamp'],
    ])
    expect(scenes[0]).toMatchObject({
      text: 'The lamp burns above the sea.',
      words: expect.arrayContaining(['harbor']),
    })
    for (const { seconds } of scenes) expect(seconds).toBeGreaterThan(1)
  })
  it('prints a line a scene for people', async () =>
    expect((await tidy(['scenes', SCRIPT])).stdout.trimEnd().split('\n')).toHaveLength(2))
  it('says what it left unread, beside the result', async () => {
    const { stderr, stdout } = await tidy([
      'scenes',
      file('open.txt', 'The lamp burns. [picture: a harbour'),
      '--json',
    ])
    expect(stderr).toContain('no closing bracket')
    expect(JSON.parse(stdout).scenes).toHaveLength(1)
  })
})

describe('tidy-reel prepare', () => {
  const messy = file('messy.txt', '# The lamp\n\nHOST: The the lamp burns (pause) & turns.\n')
  it('prints the tidy script and every change with its line', async () => {
    const { code, stdout } = await shell(['prepare', messy, '--json'])
    expect(code).toBe(0)
    expect(JSON.parse(stdout)).toEqual({
      script: '# The lamp\n\nThe lamp burns [pause 1s] and turns.\n',
      changes: [
        { kind: 'speaker', from: 'HOST:', to: '', line: 3 },
        { kind: 'doubled', from: 'The the', to: 'The', line: 3 },
        { kind: 'direction', from: '(pause)', to: '[pause 1s]', line: 3 },
        { kind: 'symbol', from: '&', to: 'and', line: 3 },
      ],
    })
  })
  it('tells the changes beside the script for people', async () => {
    const { stdout, stderr } = await tidy(['prepare', messy])
    expect(stdout).toContain('The lamp burns [pause 1s] and turns.')
    expect(stderr).toContain('line 3, speaker labels: HOST: → (out)')
  })
  it('proposes nothing for a script that is fine', async () =>
    expect(JSON.parse((await tidy(['prepare', SCRIPT, '--json'])).stdout)).toMatchObject({
      changes: [],
    }))
})

describe('bad input', () => {
  it.each<[string, string | Buffer, RegExp]>([
    ['an empty script', '', /no words to speak/],
    ['spaces', ' \r\n\u200b ', /no words to speak/],
    ['headings alone', '# One\n\n## Two', /headings or directions only/],
    [
      'a picture',
      Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13]),
      /it is a picture \(png\)/,
    ],
    ['30,000 words', 'The sea is deep and cold. '.repeat(5000), /Split it into several episodes/],
    ['five million letters', 'x'.repeat(5_000_000), /is the limit/],
  ])('%s gets one sentence and exit code 1, without a trace', async (_what, content, sentence) => {
    const { code, stdout, stderr } = await tidy(
      ['make', file('bad.txt', content), '--out', join(data, 'never')],
      { TIDY_STOCK: 'http://127.0.0.1:1' },
    )
    expect([code, stdout]).toEqual([1, ''])
    expect(
      stderr
        .trim()
        .split('\n')
        .filter((line) => !line.startsWith('npm')),
    ).toHaveLength(1)
    expect(stderr).toMatch(sentence)
    expect(existsSync(join(data, 'never', 'film.mp4'))).toBe(false)
  })
  it.each<[string[], RegExp]>([
    [['make', SCRIPT, '--out', data, '--size', '641x360'], /two even numbers/],
    [['make', SCRIPT, '--out', data, '--fps', '31'], /--fps cannot be "31"/],
    [['make', SCRIPT, '--out', data, '--voice', 'nobody'], /no voice "nobody"/],
    [['make', SCRIPT, '--out', data, '--mood', 'angry'], /calm, warm/],
    [['mix', SCRIPT, '--out', data, '--format', 'aiff'], /wav, flac, mp3, ogg/],
    [['music', '--out', join(data, 'bed')], /wav, flac, mp3, ogg/],
    [['music', '--out', join(data, 'bed.wav'), '--seconds', '-1'], /a number from 1 to 3600/],
    [['music', '--out', join(data, 'bed.wav'), '--mood', 'none'], /some music/],
    [['music', '--out', '/dev/null/bed.wav', '--seconds', '1'], /bed\.wav/],
    [['make', SCRIPT, '--out', ''], /--out cannot be "".* name of a folder/],
    [['make', SCRIPT, '--out', SCRIPT], /Nothing can be written into the folder/],
    [['make', SCRIPT, '--out', '/dev/null/film'], /Nothing can be written into the folder/],
    [['make', SCRIPT, '--out', '/proc/film'], /Nothing can be written into the folder/],
    [
      ['make', file('long.txt', `${'The sea is calm. [pause 60s]\n\n'.repeat(70)}`), '--out', data],
      /about 7\d minutes/,
    ],
    [['scenes', file('headings.txt', '# One\n\n# Two')], /headings or directions only/],
    [['timeline', file('headings2.txt', '# One\n\n# Two')], /headings or directions only/],
    [
      ['new', file('headings3.txt', '# One'), '--out', join(data, 'x.json')],
      /headings or directions only/,
    ],
    [['new', SCRIPT, '--out', join(data, 'none', 'x.json')], /cannot be written/],
    [['scenes', data], /no file/],
    [
      ['speak', '--voice', 'flite-slt', '--text', 'Lamp', '--out', '/dev/null/x.wav'],
      /cannot be written/,
    ],
    [['scenes', '/no/such/file.txt'], /no file/],
    [['match', SCRIPT, '--catalogue', '/no/such.json'], /no file/],
    [['match', SCRIPT, '--catalogue', file('broken.json', '{"a":')], /not JSON/],
    [
      ['match', SCRIPT, '--catalogue', file('shape.json', '[{"id":"x"}]')],
      /catalogue cannot be read/,
    ],
    [
      ['speak', '--voice', 'flite-slt', '--text', '…', '--out', join(data, 'x.wav')],
      /at least one sentence/,
    ],
    [
      [
        'speak',
        '--voice',
        'flite-slt',
        '--text',
        'x',
        '--speed',
        '9',
        '--out',
        join(data, 'x.wav'),
      ],
      /0\.6 to 1\.6/,
    ],
  ])('%j is answered with what to do', async (args, sentence) => {
    const { code, stderr } = await tidy(args)
    expect(code).not.toBe(0)
    expect(stderr).toMatch(sentence)
  })
})

describe('the output', () => {
  const piped = (command: string) =>
    new Promise<Ran>((resolve) =>
      execFile('bash', ['-c', `set -o pipefail; ${command}`], (error, stdout, stderr) =>
        resolve({ code: error ? Number(error.code) : 0, stdout, stderr }),
      ),
    )
  const scenes = `"${process.execPath}" "${BIN}" scenes`
  it('may be closed by who reads it, without a word', async () => {
    const many = file('many.txt', 'The lamp burns. '.repeat(1500))
    const { stdout, stderr } = await piped(`${scenes} "${many}" | head -n 1`)
    expect(stdout).toContain('The lamp burns.')
    expect(stderr).toBe('')
  })
  it('says so when the disk under it is full', async () => {
    const { code, stderr } = await piped(`${scenes} "${SCRIPT}" > /dev/full`)
    expect(code).toBe(1)
    expect(stderr.trim()).toMatch(/^The disk is full\.[^\n]*$/)
  })
  it('tells its version', async () =>
    expect((await shell(['--version'])).stdout).toMatch(/^\d+\.\d+\.\d+\n$/))
})

describe('tidy-reel voices and speak', () => {
  it('lists what is known of every voice, built-in ones without having them speak first', async () => {
    const voices = JSON.parse((await tidy(['voices', '--json'])).stdout) as Record<
      string,
      unknown
    >[]
    expect(new Set(voices.map(({ engine }) => engine))).toEqual(
      new Set(['flite', 'festival', 'espeak-ng']),
    )
    expect(
      new Set(voices.map(({ language }) => String(language).split('-')[0])).size,
    ).toBeGreaterThanOrEqual(20)
    for (const voice of voices) {
      expect(voice).toMatchObject({
        id: expect.any(String),
        accent: expect.any(String),
        gender: expect.stringMatching(/^(fe)?male$/),
        age: expect.stringMatching(/^(young|adult|older)$/),
        rating: expect.any(Number),
      })
      expect(voice.realTimeFactor).toBeGreaterThan(0)
    }
    // One that has not spoken here is told as it was once measured.
    expect(voices.find(({ language }) => language === 'fi')).toMatchObject({
      realTimeFactor: 0.003,
    })
  })
  it('says what a voice would be given, in its language', async () => {
    const spoken = async (...args: string[]) =>
      JSON.parse((await tidy(['spoken', '--json', ...args])).stdout)
    expect(await spoken('--text', 'In 1964 it cost £2.50.')).toEqual({
      spoken: 'In nineteen sixty-four it cost two pounds and fifty pence.',
    })
    expect(await spoken('--text', 'Es sind 2,5 km.', '--language', 'de')).toEqual({
      spoken: 'Es sind zwei komma fünf Kilometer.',
    })
  })
  it('tells where each word is', async () => {
    const [out, marks] = [join(data, 'marked.wav'), join(data, 'marked.json')]
    expect(
      (
        await tidy([
          'speak',
          '--voice',
          'flite-slt',
          '--text',
          'In 1822 it shone.',
          '--out',
          out,
          '--marks',
          marks,
        ])
      ).code,
    ).toBe(0)
    const words = JSON.parse(readFileSync(marks, 'utf8')) as {
      word: string
      start: number
      end: number
    }[]
    expect(words.map(({ word }) => word)).toEqual(['In', '1822', 'it', 'shone.'])
    expect(words.at(-1)!.end).toBeLessThanOrEqual(Number(probe(out).streams[0]!.duration))
  })
  it('writes one sentence as WAV', async () => {
    const out = join(data, 'said.wav')
    expect(
      (await tidy(['speak', '--voice', 'espeak-gb', '--text', 'The tide turns.', '--out', out]))
        .code,
    ).toBe(0)
    expect(probe(out).streams[0]).toMatchObject({ codec_name: 'pcm_s16le', sample_rate: '48000' })
  })
})

describe('tidy-reel align', () => {
  it('finds the sentences of a script in a recording, and tells which were not read', async () => {
    const [recording, script] = [join(data, 'read.wav'), join(data, 'read.txt')]
    const text = 'The lamp burns all night above the cold sea. '
    writeFileSync(script, `# Light\n\n${text}Bread is made of flour and water.`)
    expect(
      (await tidy(['speak', '--voice', 'flite-rms', '--text', text, '--out', recording])).code,
    ).toBe(0)
    const { sentences } = JSON.parse((await tidy(['align', recording, script, '--json'])).stdout)
    expect(sentences[0]).toMatchObject({
      missing: [],
      extra: [],
      tries: 1,
      words: [
        { word: 'the' },
        { word: 'lamp' },
        { word: 'burns' },
        ...Array.from({ length: 6 }, () => expect.anything()),
      ],
    })
    expect(sentences[1]).toMatchObject({ start: null, end: null })
  })
  it('says what is wrong with a recording that is none', async () => {
    const [recording, script] = [join(data, 'none.wav'), join(data, 'one.txt')]
    writeFileSync(recording, 'x')
    writeFileSync(script, 'One sentence.')
    const { code, stderr } = await tidy(['align', recording, script])
    expect([code, stderr]).toEqual([1, expect.stringContaining('cannot be used')])
  })
})

describe('tidy-reel subtitles', () => {
  it('writes each format of a script that nobody has spoken yet', async () => {
    const script = file('subtitled.txt', '# A\nThe boat rises. It is slow.')
    const written = async (format: string) =>
      (await tidy(['subtitles', script, '--format', format])).stdout
    const srt = await written('srt')
    const vtt = await written('vtt')
    const ass = await written('ass')
    const ttml = await written('ttml')
    const txt = await written('txt')
    expect(srt).toMatch(/^1\n00:00:\d\d,\d{3} --> /)
    expect(vtt).toMatch(/^WEBVTT\n/)
    expect(ass).toContain('[Events]')
    expect(ttml).toContain('xml:lang="en')
    expect(txt).toBe('A\n\nThe boat rises. It is slow.\n')
  })
  it('says which formats there are', async () => {
    const { code, stderr } = await tidy(['subtitles', SCRIPT, '--format', 'doc'])
    expect([code, stderr]).toEqual([1, expect.stringContaining('srt, vtt, ass, ttml, txt')])
  })
})

describe('tidy-reel shown', () => {
  it('says what each scene shows, a direction as it stands', async () => {
    const script = file('shown.txt', 'The boat rises. [picture: a lock, not a key] It is slow.')
    const { code, stdout } = await tidy(['shown', script, '--json'])
    expect(code).toBe(0)
    expect(JSON.parse(stdout)).toMatchObject({
      scenes: [
        { n: 1, text: 'The boat rises.', see: 'boat, rises', from: 'sentence' },
        { n: 2, text: 'It is slow.', see: 'a lock', not: ['key'], from: 'direction' },
      ],
    })
  })
})

describe('tidy-reel match', () => {
  const items = ['harbour', 'lamp', 'sea', 'keeper', 'cow', 'bread'].map((tag) =>
    item(tag, 'photo', {
      title: `A ${tag}`,
      description: `Photograph: ${tag}.`,
      orientation: 'landscape',
    }),
  )
  it('chooses from a list of items in place of the library', async () => {
    const { code, stdout } = await tidy([
      'match',
      SCRIPT,
      '--json',
      '--catalogue',
      file('items.json', JSON.stringify(items)),
    ])
    const { scenes } = JSON.parse(stdout) as {
      scenes: {
        text: string
        picks: {
          id: string
          title: string
          description: string
          tags: string[]
          score: number
          why: string
        }[]
      }[]
    }
    expect(code).toBe(0)
    expect(scenes[0]!.picks[0]).toMatchObject({
      id: 'harbour',
      title: 'A harbour',
      tags: ['harbour'],
      why: expect.stringContaining('harbor'),
    })
    expect(scenes[1]!.picks[0]!.id).toMatch(/keeper|lamp/)
    for (const { picks } of scenes)
      for (const { score } of picks) expect(Number.isFinite(score)).toBe(true)
  })
  it('takes items with nothing but an id, a kind and a title', async () => {
    expect(
      (
        await tidy([
          'match',
          SCRIPT,
          '--json',
          '--catalogue',
          file('bare.json', JSON.stringify([{ id: 'a', kind: 'clip', title: 'Lamp' }])),
        ])
      ).code,
    ).toBe(0)
  })
  it('has an answer for an empty list', async () => {
    const { code, stdout } = await tidy([
      'match',
      SCRIPT,
      '--json',
      '--catalogue',
      file('none.json', '[]'),
    ])
    expect([code, JSON.parse(stdout).scenes[0].picks]).toEqual([0, []])
  })
  it('says that the library is away and ends with 1', async () => {
    const { code, stderr } = await shell(['match', SCRIPT], { TIDY_STOCK: 'http://127.0.0.1:1' })
    expect(code).toBe(1)
    expect(stderr).toContain('does not answer')
  })
})

describe('tidy-reel mix and music', () => {
  it('write the sound of a film and its stems, 24-bit, and tell what was measured', async () => {
    const out = join(data, 'mix')
    const { code, stdout } = await tidy(['mix', SCRIPT, '--out', out, '--stems'])
    expect(code).toBe(0)
    const report = JSON.parse(stdout)
    expect(report.files).toEqual(['mix.wav', 'voice.wav', 'music.wav', 'effects.wav', 'cues.csv'])
    for (const name of (report.files as string[]).slice(0, -1))
      expect(probe(join(out, name)).streams[0]).toMatchObject({
        codec_name: 'pcm_s24le',
        sample_rate: '48000',
        channels: 2,
      })
    expect(ebur128(join(out, 'mix.wav')).lufs).toBeCloseTo(report.lufs, 0)
    expect(Math.abs(report.lufs + 14)).toBeLessThanOrEqual(0.5)
    expect(report.bedBelowSpeech).toBeGreaterThanOrEqual(20)
  })
  it('tell of sounds that fit, and mix those a script asks for', async () => {
    const { stdout } = await tidy(['sounds', 'rain on glass', '--json'])
    const { sounds } = JSON.parse(stdout) as { sounds: object[] }
    expect(sounds[0]).toEqual({
      id: 'made-rain-glass',
      title: 'Rain on glass',
      seconds: 12,
      licence: 'Made for this channel',
      author: 'Tidy Reel',
      why: 'its title says rain, glass',
    })
    const script = join(data, 'sounding.txt')
    writeFileSync(
      script,
      'A bell rings. [sound: ship\u2019s bell] It is noon. [sound: zither] Then rest.',
    )
    const out = join(data, 'sounding')
    const mixed = await tidy(['mix', script, '--out', out])
    expect(mixed.stderr).toContain('Scene 3: no sound fits “zither”')
    expect(readFileSync(join(out, 'cues.csv'), 'utf8')).toMatch(
      /A ship\u2019s bell,Tidy Reel,00:00:0\d\.\d{3},00:00:0\d\.\d{3},effect,Made for this channel/,
    )
  })
  it('write the same music for the same seed, in the format its name says', async () => {
    const asked = ['music', '--mood', 'warm', '--seconds', '5', '--seed', 'a']
    for (const name of ['one.flac', 'two.flac']) {
      // Each with nothing kept from before.
      const fresh = { TIDY_DATA: join(data, `fresh-${name}`) }
      expect((await tidy([...asked, '--out', join(data, name)], fresh)).code).toBe(0)
    }
    const [one, two] = ['one.flac', 'two.flac'].map((name) => readFileSync(join(data, name)))
    expect(one!.equals(two!)).toBe(true)
    expect(Number(probe(join(data, 'one.flac')).format.duration)).toBeGreaterThanOrEqual(5)
  })
})

describe('tidy-reel make', () => {
  it('makes the whole film without database or browser', async () => {
    const photo = photograph('shell', 640, 360)
    const library = json({
      items: Array.from({ length: 6 }, (_, i) =>
        item(`lamp${i}`, 'photo', { tags: ['lamp', 'harbour'] }),
      ),
    })
    await withServer(
      (request, response) =>
        (request.url!.includes('/file') ? bytes(photo) : library)(request, response),
      async (address) => {
        const out = join(data, 'film')
        const { code, stdout, stderr } = await shell(
          [
            'make',
            SCRIPT,
            '--out',
            out,
            '--size',
            '320x180',
            '--fps',
            '25',
            '--voice',
            'flite-rms',
            '--no-burn-in',
          ],
          { TIDY_STOCK: address },
        )
        expect(code).toBe(0)
        expect(stderr).toMatch(/render 100 %/)
        const report = JSON.parse(readFileSync(join(out, 'report.json'), 'utf8'))
        expect(JSON.parse(stdout)).toEqual(report)
        const checked = await shell(['check', out, '--json'])
        expect([checked.code, checked.stdout.trim()]).toEqual([0, '{"findings":[]}'])
        cpSync(out, join(data, 'unlicensed'), { recursive: true })
        const ledger = readFileSync(join(out, 'ledger.csv'), 'utf8')
        writeFileSync(join(data, 'unlicensed/ledger.csv'), ledger.replace(/CC0[^,]*/, ''))
        const faulty = await shell(['check', join(data, 'unlicensed')])
        expect(faulty).toMatchObject({ code: 1, stdout: expect.stringContaining('no licence') })
        expect(faulty.stderr).toMatch(/^One thing is wrong with the film\./)
        expect(report).toMatchObject({
          size: '320x180',
          fps: '25/1',
          scenes: 2,
          remarks: [],
          steps: {
            match: expect.any(Number),
            speak: expect.any(Number),
            fetch: expect.any(Number),
            render: expect.any(Number),
            mix: expect.any(Number),
            join: expect.any(Number),
          },
        })
        for (const name of [
          'film.mp4',
          'film.srt',
          'film.vtt',
          'film.ass',
          'shots.csv',
          'credits.txt',
        ])
          expect(existsSync(join(out, name))).toBe(true)
        expect(Number(probe(join(out, 'film.mp4')).streams[0]!.nb_read_frames)).toBe(report.frames)
        expect(Math.abs(ebur128(join(out, 'film.mp4')).lufs - report.lufs)).toBeLessThan(0.3)
      },
    )
  })
  it('makes a film of cards, and says so, when the library is away', async () => {
    const out = join(data, 'cards')
    const { code, stderr } = await tidy(
      ['make', file('word.txt', 'Light'), '--out', out, '--size', '320x180'],
      { TIDY_STOCK: 'http://127.0.0.1:1' },
    )
    expect(code).toBe(0)
    expect(stderr).toContain('does not answer')
    expect(existsSync(join(out, 'film.mp4'))).toBe(true)
  })
  it('says which setting is wrong', async () => {
    const { code, stderr } = await tidy(['make', SCRIPT, '--out', data], {
      TIDY_STOCK: 'not an address',
    })
    expect(code).toBe(1)
    expect(stderr).toContain('TIDY_STOCK cannot be "not an address"')
  })
  it('leaves no film behind when it is stopped half-way', async () => {
    const out = join(data, 'stopped')
    const child = new Promise<number>((resolve) => {
      const running = execFile(
        process.execPath,
        [
          BIN,
          'make',
          file(
            'long.txt',
            Array.from({ length: 6 }, (_, i) => `Wave number ${i} breaks on the rock.`).join(' '),
          ),
          '--out',
          out,
          '--size',
          '320x180',
        ],
        { env: { ...process.env, TIDY_DATA: data, TIDY_STOCK: 'http://127.0.0.1:1' } },
        (error) => resolve(Number(error?.code ?? 0)),
      )
      let stopped = false
      running.stderr!.on('data', (line: string) => {
        if (stopped || !/render [1-9]/.test(line)) return
        stopped = true
        running.kill('SIGINT')
      })
    })
    expect(await child).toBe(1)
    expect(existsSync(join(out, 'film.mp4'))).toBe(false)
  })
})

describe('tidy-reel new, apply and timeline', () => {
  const at = (name: string) => join(data, name)
  const made = at('episode.json')
  const read = (name: string) => JSON.parse(readFileSync(at(name), 'utf8'))
  it('make a document of a script, change it, and change it back to the letter', async () => {
    expect((await tidy(['new', SCRIPT, '--out', made])).code).toBe(0)
    expect(read('episode.json')).toMatchObject({
      version: 15,
      title: 'lamp',
      scenes: [{ id: 's1' }, { id: 's2' }],
    })
    const commands = file(
      'commands.json',
      JSON.stringify([
        { type: 'splitScene', sceneId: 's1', at: 14 },
        { type: 'adjustScenes', target: ['s2'], set: { hidden: true } },
      ]),
    )
    const { code, stderr } = await tidy(['apply', made, commands, '--out', at('next.json')])
    expect([code, stderr.trim()]).toEqual([0, 'scene split\nscene left out'])
    expect(read('next.json').scenes.map(({ text }: { text: string }) => text)).toEqual([
      'The lamp burns',
      'above the sea.',
      expect.any(String),
    ])
    expect(
      (await tidy(['apply', at('next.json'), at('next.inverse.json'), '--out', at('back.json')]))
        .code,
    ).toBe(0)
    expect(readFileSync(at('back.json'), 'utf8')).toBe(readFileSync(made, 'utf8'))
  })
  it('print exact frames and samples at 30000/1001', async () => {
    const { stdout } = await tidy(['timeline', made, '--fps', '30000/1001', '--json'])
    const { fps, frames, samples, scenes } = JSON.parse(stdout)
    expect(fps).toEqual([30000, 1001])
    expect(frames).toBe(Math.round((samples * 30000) / 1001 / 48_000))
    expect(scenes.map((scene: { id: string }) => scene.id)).toEqual(['s1', 's2'])
    expect(scenes[0].endFrame).toBe(scenes[1].startFrame)
    expect(scenes[1].shots.at(-1)).toEqual({
      startFrame: expect.any(Number),
      endFrame: frames,
      item: null,
    })
  })
  it('print where everything written stands, in a house style of `styles`', async () => {
    const { stdout: listed } = await tidy(['styles', '--json'])
    const styles = JSON.parse(listed) as { id: string; name: string }[]
    expect(styles.map(({ id }) => id)).toContain('newspaper')
    const script = file(
      'dressed.txt',
      '# Light\n\nIt is seen from 20 miles out. [number: 20 miles]',
    )
    const boxes = async (style: string) => {
      const flags = ['--size', '1080x1920', '--style', style, '--json']
      return JSON.parse((await tidy(['timeline', script, ...flags])).stdout) as {
        cues: { lines: string[]; startFrame: number; endFrame: number; box: number[] }[]
        supers: { kind: string; text: string; box: number[] }[]
      }
    }
    const { cues, supers } = await boxes('newspaper')
    expect(cues.flatMap(({ lines }) => lines).join(' ')).toBe('It is seen from 20 miles out.')
    expect(supers.map(({ kind, text }) => [kind, text])).toEqual([
      ['heading', 'Light'],
      ['number', '20 miles'],
    ])
    for (const { box } of [...cues, ...supers]) {
      const [x, y, width, height] = box as [number, number, number, number]
      // EBU R 95, from memory: 5 % from each side.
      expect(Math.min(x, y)).toBeGreaterThanOrEqual(0.0499)
      expect(Math.max(x + width, y + height)).toBeLessThanOrEqual(0.9501)
    }
    expect((await boxes('bright')).cues).not.toEqual(cues)
  })
  it.each<[string, string[], RegExp]>([
    [
      'a scene that is not there',
      [
        'apply',
        made,
        file('no-scene.json', '{"type":"mergeScene","sceneId":"zz"}'),
        '--out',
        at('never.json'),
      ],
      /no scene "zz"/,
    ],
    [
      'a command there is not',
      ['apply', made, file('no-command.json', '[{"type":"explode"}]'), '--out', at('never.json')],
      /"no-command.json" cannot be used/,
    ],
    [
      'half a file',
      ['apply', file('half.json', '{"version":2,"ti'), made, '--out', at('never.json')],
      /it is not JSON/,
    ],
    [
      'a folder that is not there',
      ['new', SCRIPT, '--out', at('no/such/folder.json')],
      /cannot be written/,
    ],
    ['a rate there is not', ['timeline', made, '--fps', '31'], /--fps cannot be "31"/],
  ])('answer %s with a sentence and write nothing', async (_what, args, sentence) => {
    const { code, stderr } = await tidy(args)
    expect(code).toBe(1)
    expect(stderr).toMatch(sentence)
    expect(existsSync(at('never.json'))).toBe(false)
  })
  it('set a document right whose scenes are not those of its script', async () => {
    const { scenes, ...rest } = read('episode.json')
    const wrong = file(
      'wrong.json',
      JSON.stringify({
        ...rest,
        scenes: [scenes[1], scenes[1], { id: 'x', text: 'Nobody says this.', shots: [] }],
      }),
    )
    expect(
      (await tidy(['apply', wrong, file('nothing.json', '[]'), '--out', at('right.json')])).code,
    ).toBe(0)
    expect(read('right.json').scenes.map(({ text }: { text: string }) => text)).toEqual(
      scenes.map(({ text }: { text: string }) => text),
    )
  })
})
