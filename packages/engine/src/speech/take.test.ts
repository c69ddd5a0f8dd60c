import { execFileSync } from 'node:child_process'
import { once } from 'node:events'
import { existsSync, mkdtempSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { createServer, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { FINISHES } from '@tidy-reel/core/document/voicing'
import { TAKE_LUFS } from '@tidy-reel/core/film/sound/mix'
import { foreignLanguage } from '@tidy-reel/core/speech/language'
import { spokenText } from '@tidy-reel/core/text/spoken'
import { wordsOf } from '@tidy-reel/core/text/written-words'
import { ebur128, filterLog, probe, silencesOf } from '../test/media-facts.ts'
import { TINY_RATE, TINY_STEP, writeTinyModel } from '../test/tiny-model.ts'
import { speakRaw } from './engines.ts'
import { knownTake, type SpeechPlace, spokenBy, takeHash, takeOf } from './take.ts'
import { takeAll } from './take-all.ts'
import { voiceById, voiceList } from './voice-list.ts'
import { BUILT_IN_VOICES } from './voices.ts'

const freshPlace = (): SpeechPlace => {
  const data = mkdtempSync(join(tmpdir(), 'tidy-takes-'))
  return { takes: join(data, 'takes'), voices: voiceList(data) }
}
const place = freshPlace()
const TEXT_SAID = 'The lamp was lit and ships could see it from twenty miles away'
const TEXT = 'The lamp was lit in 1822, and ships could see it from 20 miles away.'

describe('takeOf', () => {
  it.each(['flite-slt', 'flite-rms-deep', 'festival-slt', 'festival-ked', 'espeak-gb'])(
    'speaks with %s: 48 kHz mono, at the level of all takes, no dead air at its ends',
    async (voice) => {
      const take = await takeOf(place, { text: TEXT, voice, speed: 1 })
      const [stream] = probe(take.file).streams
      expect(stream).toMatchObject({ codec_name: 'pcm_s16le', sample_rate: '48000', channels: 1 })
      expect(Number(stream!.duration)).toBeCloseTo(take.samples / 48_000, 3)
      // Common practice: about 14 characters a second with pauses, 140 to 170 words a minute.
      const pace = spokenText(TEXT).length / (take.samples / 48_000)
      expect(pace).toBeGreaterThan(12.5)
      expect(pace).toBeLessThan(17)
      // Within 1 LU by ffmpeg's meter, whatever the voice: high peaks are held, not the whole take
      // lowered.
      const { lufs, peak } = ebur128(take.file)
      expect(Math.abs(lufs - TAKE_LUFS)).toBeLessThanOrEqual(1)
      expect(peak).toBeLessThanOrEqual(-1)
      const quiet = silencesOf(take.file, '-45dB', 0.15)
      for (const [from, to] of quiet)
        expect(from > 0.05 && to < take.samples / 48_000 - 0.05).toBe(true)
    },
  )
  it('finds the pauses between sentences where ffmpeg silencedetect finds them, within 20 ms', async () => {
    const take = await takeOf(place, {
      text: 'The lamp burns. The sea is calm. The keeper sleeps.',
      voice: 'flite-slt',
      speed: 1,
    })
    const reference = silencesOf(take.file, '-38dB', 0.1)
    expect(reference.length).toBeGreaterThanOrEqual(2)
    for (const [from, to] of reference) {
      const near = take.pauses.find(([a]) => Math.abs(a / 48_000 - from) < 0.2)!
      expect(Math.abs(near[0] / 48_000 - from)).toBeLessThanOrEqual(0.02)
      expect(Math.abs(near[1] / 48_000 - to)).toBeLessThanOrEqual(0.02)
    }
  })
  it.each(['flite-slt', 'espeak-gb'])(
    'pauses at marks as common practice does (0.25 s at a comma, 0.4 s at a colon), by ffmpeg silencedetect: %s',
    async (voice) => {
      const text = 'The lamp burned all night, and the keeper slept: nobody had seen a ship.'
      const take = await takeOf(place, { text, voice, speed: 1 })
      const lengths = silencesOf(take.file, '-40dB', 0.15).map(([from, to]) => to - from)
      expect(lengths).toHaveLength(2)
      for (const [i, wanted] of [0.25, 0.4].entries())
        expect(Math.abs(lengths[i]! - wanted)).toBeLessThan(0.08)
    },
  )
  it('takes from a voice what booms: no more than 11 dB more at 120 to 260 Hz than at 400 to 500, by ffmpeg', async () => {
    const take = await takeOf(place, { text: TEXT, voice: 'flite-slt', speed: 1 })
    const level = (from: number, to: number) =>
      Number(
        /RMS level dB: (-?[\d.]+)/.exec(
          filterLog(take.file, { audio: `highpass=f=${from}:p=2,lowpass=f=${to}:p=2,astats` }),
        )![1],
      )
    expect(level(120, 260) - level(400, 500)).toBeLessThan(11)
  })
  it('is spoken once and kept under what is said, by whom and how fast', async () => {
    const request = { text: 'It is 5 km off.', voice: 'flite-rms', speed: 1 }
    const first = await takeOf(place, request)
    const made = statSync(first.file).mtimeMs
    expect(statSync((await takeOf(place, request)).file).mtimeMs).toBe(made)
    expect(takeHash(place, { ...request, text: 'It is five kilometres off.' })).toBe(first.hash)
    expect(
      new Set(
        [
          request,
          { ...request, speed: 1.2 },
          { ...request, voice: 'flite-awb' },
          { ...request, text: 'It is 6 km off.' },
        ].map((asked) => takeHash(place, asked)),
      ).size,
    ).toBe(4)
  })
  it('says the same twice to the byte', async () => {
    const other = freshPlace()
    const request = { text: 'The tide turns.', voice: 'flite-slt', speed: 1 }
    const [a, b] = await Promise.all([takeOf(place, request), takeOf(other, request)])
    expect(readFileSync(a.file).equals(readFileSync(b.file))).toBe(true)
  })
  it.each(['flite-slt', 'espeak-gb', 'festival-slt'])(
    'speaks faster with %s when told to, by as much',
    async (voice) => {
      const [slow, fast] = await Promise.all(
        [0.8, 1.25].map((speed) => takeOf(place, { text: TEXT, voice, speed })),
      )
      expect(fast!.samples / slow!.samples).toBeGreaterThan(0.54)
      expect(fast!.samples / slow!.samples).toBeLessThan(0.74)
    },
  )
  it.each([
    ['海很深，船很小。', 'cmn'],
    ['البحر عميق.', 'ar'],
    ['Море глубокое.', 'ru'],
  ])('speaks %s in its own language', async (text, language) => {
    expect(foreignLanguage(text, 'en-US')).toBe(language)
    const take = await takeOf(place, { text, voice: 'flite-slt', speed: 1 })
    expect(take.samples).toBeGreaterThan(24_000)
  })
  it('names the voices there are when asked for another', async () => {
    await expect(takeOf(place, { text: TEXT, voice: 'nobody', speed: 1 })).rejects.toMatchObject({
      code: 'voice_unknown',
      details: { known: expect.stringContaining('flite-slt') },
    })
  })
})

describe('takeAll', () => {
  it('goes on when one sentence cannot be spoken and where none is wanted, and says which', async () => {
    const spoken = await takeAll(place, [
      { text: 'One.', voice: 'flite-slt', speed: 1 },
      { text: '…', voice: 'flite-slt', speed: 1 },
      undefined,
      { text: 'Two.', voice: 'flite-slt', speed: 1 },
    ])
    expect(spoken.map((s) => s && ('take' in s ? 'take' : s.fault.code))).toEqual([
      'take',
      'voice_silent',
      undefined,
      'take',
    ])
  })
  it('speaks the sentence in view first, then those after it, and answers in the order of the film', async () => {
    const order: number[] = []
    const texts = ['Ay one.', 'Bee two.', 'Sea three.', 'Dee four.', 'Ee five.']
    const spoken = await takeAll(
      place,
      texts.map((text) => ({ text, voice: 'espeak-gb', speed: 1 })),
      { first: 3, onSpoken: (i) => order.push(i) },
    )
    // Two speak at a time, so what begins later may be done before the second of them.
    expect([3, 4]).toContain(order[0])
    expect(order.indexOf(3)).toBeLessThan(order.indexOf(1))
    const alone = await Promise.all(
      texts.map((text) => takeOf(place, { text, voice: 'espeak-gb', speed: 1 })),
    )
    expect(spoken.map((s) => s && 'take' in s && s.take.hash)).toEqual(
      alone.map(({ hash }) => hash),
    )
  })
  it('stops when told to', async () => {
    const stop = new AbortController()
    stop.abort()
    await expect(
      takeAll(place, [{ text: 'Never said before.', voice: 'flite-slt', speed: 1 }], {
        signal: stop.signal,
      }),
    ).rejects.toThrow()
  })
})

describe('what is written and what is spoken', () => {
  it('begins and ends each word where the engine did, in the order they are written', async () => {
    for (const voice of [
      'flite-rms',
      'flite-slt-low',
      'festival-slt',
      'festival-kal',
      'espeak-us-f',
    ]) {
      const take = await takeOf(place, { text: TEXT, voice, speed: 1 })
      expect(take.words).toHaveLength(wordsOf(TEXT).length)
      take.words!.forEach(([start, end], i) => {
        expect(end).toBeGreaterThan(start)
        if (i > 0) expect(start).toBeGreaterThanOrEqual(take.words![i - 1]![1])
      })
      // "1822," is four words long: longer than any other.
      const longest = take.words!.map(([start, end]) => end - start)
      expect(longest.indexOf(Math.max(...longest))).toBe(5)
    }
  })
  it('says a word as its IPA says: as the same word from the dictionary, to the hundredth', async () => {
    for (const voice of ['flite-slt', 'espeak-us-f']) {
      const [plain, sounds] = await Promise.all(
        ['The tidy reel is tidy.', 'The /ˈtaɪdi/ reel is tidy.'].map((text) =>
          takeOf(place, { text, voice, speed: 1 }),
        ),
      )
      expect(Math.abs(plain!.samples - sounds!.samples)).toBeLessThan(480)
    }
  })
  it('says words as the list asks and keeps that take apart', async () => {
    const request = { text: 'Reed keeps the light.', voice: 'flite-slt', speed: 1 }
    const asked = {
      ...request,
      pronunciations: [
        { word: 'Reed', say: 'Rayd' },
        { word: 'absent', say: 'x' },
      ],
    }
    expect(spokenBy(place, asked).text).toBe('Rayd keeps the light.')
    expect(takeHash(place, asked)).not.toBe(takeHash(place, request))
    expect(takeHash(place, { ...request, pronunciations: [{ word: 'absent', say: 'x' }] })).toBe(
      takeHash(place, request),
    )
  })
  it('shortens and lengthens the silences inside a take, and moves its words along', async () => {
    const request = { text: 'The lamp burns. The sea is calm.', voice: 'flite-slt', speed: 1 }
    const [short, plain, long] = await Promise.all(
      [0.5, 1, 2].map((pauses) => takeOf(place, { ...request, pauses })),
    )
    const [[from, to]] = plain!.pauses as [[number, number]]
    expect(short!.samples).toBe(plain!.samples - Math.round((to - from) / 2))
    expect(long!.samples).toBe(plain!.samples + (to - from))
    expect(long!.words![3]![0] - plain!.words![3]![0]).toBeCloseTo(to - from, -2)
    expect(long!.words![1]).toEqual(plain!.words![1])
  })
  it('weighs a sentence: stronger is louder and slower, softer the other way', async () => {
    const request = { text: 'The lamp burns over the sea.', voice: 'flite-slt', speed: 1 }
    const [soft, strong] = await Promise.all(
      (['soft', 'strong'] as const).map((emphasis) => takeOf(place, { ...request, emphasis })),
    )
    expect(ebur128(strong!.file).lufs - ebur128(soft!.file).lufs).toBeGreaterThan(2)
    expect(strong!.samples).toBeGreaterThan(soft!.samples)
  })
  it('is as loud with any finish, so that the louder does not win', async () => {
    const takes = await Promise.all(
      FINISHES.map((finish) => takeOf(place, { text: TEXT, voice: 'flite-rms', speed: 1, finish })),
    )
    const levels = takes.map(({ file }) => ebur128(file).lufs)
    expect(Math.max(...levels) - Math.min(...levels)).toBeLessThanOrEqual(1)
    expect(new Set(takes.map(({ hash }) => hash)).size).toBe(FINISHES.length)
  })
})

describe('voices that fail', () => {
  const ownPlace = (voices: object[]): SpeechPlace => {
    const data = mkdtempSync(join(tmpdir(), 'tidy-own-'))
    writeFileSync(join(data, 'voices.json'), JSON.stringify({ voices }))
    return { takes: join(data, 'takes'), voices: voiceList(data) }
  }
  const program = (id: string, program: string, ...args: string[]) => ({
    id,
    name: id,
    language: 'en',
    kind: 'program',
    program,
    args,
    timeoutSeconds: 2,
  })
  const say = (own: SpeechPlace, voice: string, text = 'The lamp burns.') =>
    takeOf(own, { text, voice, speed: 1 })

  it("are a program of one's own that speaks: its sound is finished like any other", async () => {
    const own = ownPlace([program('mine', 'espeak-ng', '--stdin', '-w', '{out}')])
    expect((await say(own, 'mine')).samples).toBeGreaterThan(24_000)
  })
  it("are a model in a folder of one's own, run by sherpa-onnx; another folder says what is missing", async () => {
    const folder = writeTinyModel(join(mkdtempSync(join(tmpdir(), 'tidy-model-')), 'tiny'), [
      'the',
      'lamp',
      'burns',
    ])
    const model = (id: string, at: string) => ({
      id,
      name: id,
      language: 'en',
      kind: 'model',
      folder: at,
    })
    const own = ownPlace([model('tiny', folder), model('bare', tmpdir())])
    const raw = await speakRaw(own.voices, voiceById(own.voices, 'tiny'), {
      text: 'The lamp burns.',
      stretch: 1,
      melody: 1,
    })
    expect(raw.rate).toBe(TINY_RATE)
    // Twelve letters at least, a step each.
    expect(raw.pcm.length).toBeGreaterThanOrEqual(12 * TINY_STEP)
    expect((await say(own, 'tiny')).samples / 48_000).toBeCloseTo(raw.pcm.length / TINY_RATE, 0)
    await expect(say(own, 'bare')).rejects.toMatchObject({
      code: 'voice_failed',
      message: expect.stringContaining('tokens.txt'),
    })
  })
  it('that do not tell where their words are are listened to: within 50 ms in the middle of what the engine itself would say', async () => {
    const own = ownPlace([
      program('mine', 'flite', '-voice', 'slt', '-t', TEXT_SAID, '-o', '{out}'),
    ])
    const [heard, told] = await Promise.all(
      ['mine', 'flite-slt'].map((id) =>
        speakRaw(own.voices, voiceById(own.voices, id), { text: TEXT_SAID, stretch: 1, melody: 1 }),
      ),
    )
    const errors = told!
      .words!.map(({ start }, i) => Math.abs(start - heard!.words![i]!.start))
      .sort((a, b) => a - b)
    expect(heard!.words).toHaveLength(told!.words!.length)
    expect(errors[errors.length >> 1]).toBeLessThanOrEqual(0.05)
  })
  it('an engine that crashes takes one sentence with it: the next is spoken by a fresh one', async () => {
    const children = () =>
      execFileSync('pgrep', ['-P', String(process.pid), '-f', 'speech-host'], { encoding: 'utf8' })
        .trim()
        .split('\n')
        .map(Number)
    await takeOf(place, { text: 'It is awake.', voice: 'flite-slt', speed: 1 })
    const long = takeOf(place, {
      text: 'The sea comes in and goes out. '.repeat(8),
      voice: 'festival-slt-high',
      speed: 1,
    })
    const crashing = takeOf(place, {
      text: 'Nobody knows why it stopped. '.repeat(40),
      voice: 'flite-rms',
      speed: 1,
    }).then(
      () => 'spoken',
      (cause: { code: string }) => cause.code,
    )
    await new Promise((resolve) => setTimeout(resolve, 60))
    for (const pid of children()) process.kill(pid, 'SIGKILL')
    expect(await crashing).toBe('voice_failed')
    expect(
      (await takeOf(place, { text: 'It speaks again.', voice: 'flite-slt', speed: 1 })).samples,
    ).toBeGreaterThan(20_000)
    expect((await long).samples).toBeGreaterThan(700_000)
  })
  it('never reach a shell', async () => {
    const text =
      '"; touch /tmp/tidy-shell-was-here; $(touch /tmp/tidy-shell-was-here) `touch /tmp/tidy-shell-was-here`'
    const own = ownPlace([program('mine', 'espeak-ng', '--stdin', '-w', '{out}')])
    for (const voice of ['mine', 'flite-slt', 'festival-slt', 'espeak-gb'])
      await say(own, voice, text)
    expect(existsSync('/tmp/tidy-shell-was-here')).toBe(false)
  })
  it.each([
    ['hangs', program('bad', 'sleep', '60'), 'program_failed', /too long/],
    ['crashes', program('bad', 'false'), 'program_failed', /false/],
    ['is not there', program('bad', 'no-such-program'), 'program_missing', /no-such-program/],
    ['writes nothing', program('bad', 'true'), 'voice_failed', /no WAV file/],
    [
      'writes rubbish',
      program('bad', 'cp', '/etc/hostname', '{out}'),
      'voice_failed',
      /no WAV file/,
    ],
    [
      'says nothing',
      program(
        'bad',
        'ffmpeg',
        '-v',
        'error',
        '-nostdin',
        '-f',
        'lavfi',
        '-i',
        'anullsrc=r=22050:cl=mono',
        '-t',
        '2',
        '{out}',
      ),
      'voice_silent',
      /no sound/,
    ],
    [
      'gives a rate no voice has',
      program(
        'bad',
        'ffmpeg',
        '-v',
        'error',
        '-nostdin',
        '-f',
        'lavfi',
        '-i',
        'sine=r=4000',
        '-t',
        '1',
        '{out}',
      ),
      'voice_failed',
      /4000 Hz/,
    ],
  ])('one that %s says so', async (_how, voice, code, sentence) => {
    await expect(say(ownPlace([voice]), 'bad')).rejects.toMatchObject({
      code,
      message: expect.stringMatching(sentence),
    })
  })
  it('are tried once more with the voice that stands in, only where that is allowed', async () => {
    const own = ownPlace([program('bad', 'false')])
    const part = { text: 'The lamp burns.', voice: 'bad', speed: 1 }
    const [silent, saved, other] = await takeAll(own, [
      part,
      { ...part, understudy: 'flite-slt' },
      { ...part, voice: 'flite-slt' },
    ])
    expect(silent).toMatchObject({ fault: { code: 'program_failed' } })
    expect(saved).toMatchObject({
      take: { samples: expect.any(Number) },
      instead: { code: 'program_failed' },
    })
    expect(saved && 'take' in saved && saved.take.hash).toBe(
      other && 'take' in other && other.take.hash,
    )
  })
  it('in a list that cannot be read hide none of the built-in ones, and the list says what is wrong', () => {
    for (const [text, reason] of [
      ['{', /no JSON/],
      ['{"voices":[{"id":"A B"}]}', /voices.0/],
      [
        '{"voices":[{"id":"x","name":"x","language":"en","kind":"program","program":"../x","args":[]}]}',
        /whole path/,
      ],
    ] as const) {
      const data = mkdtempSync(join(tmpdir(), 'tidy-own-'))
      writeFileSync(join(data, 'voices.json'), text)
      const list = voiceList(data)
      expect(list.voices.length).toBe(BUILT_IN_VOICES.length)
      expect(list.fault?.message).toMatch(reason)
    }
  })
  it('a service that answers with sound and marks, an error, rubbish or never', async () => {
    const wav = readFileSync(
      (await takeOf(place, { text: 'The lamp burns.', voice: 'flite-slt', speed: 1 })).file,
    )
    const answers: Record<string, (reply: ServerResponse) => void> = {
      '/good': (reply) =>
        reply.setHeader('content-type', 'application/json').end(
          JSON.stringify({
            wav: wav.toString('base64'),
            marks: [
              { word: 'The', start: 0.05, end: 0.2 },
              { word: 'lamp', start: 0.2, end: 0.7 },
              { word: 'burns', start: 0.7, end: 1.2 },
            ],
          }),
        ),
      '/wav': (reply) => reply.setHeader('content-type', 'audio/wav').end(wav),
      '/error': (reply) => reply.writeHead(500).end('no'),
      '/html': (reply) => reply.setHeader('content-type', 'application/json').end('<html>'),
      '/half': (reply) => reply.setHeader('content-type', 'audio/wav').end(wav.subarray(0, 30)),
      '/never': () => undefined,
    }
    const server = createServer((request, reply) => answers[request.url!]!(reply)).listen(
      0,
      '127.0.0.1',
    )
    await once(server, 'listening')
    const { port } = server.address() as AddressInfo
    const own = ownPlace(
      Object.keys(answers).map((path) => ({
        id: path.slice(1),
        name: path.slice(1),
        language: 'en',
        kind: 'service',
        address: `http://127.0.0.1:${port}${path}`,
        timeoutSeconds: 1,
      })),
    )
    expect((await say(own, 'good')).words).toHaveLength(3)
    expect((await say(own, 'wav')).samples).toBeGreaterThan(24_000)
    await expect(say(own, 'error')).rejects.toMatchObject({
      message: expect.stringContaining('500'),
    })
    await expect(say(own, 'html')).rejects.toMatchObject({
      message: expect.stringContaining('no JSON'),
    })
    await expect(say(own, 'half')).rejects.toMatchObject({ code: 'voice_failed' })
    await expect(say(own, 'never')).rejects.toMatchObject({
      message: expect.stringContaining('too long'),
    })
    server.closeAllConnections()
    server.close()
  })
  it('a take that a person chose and that is gone is told from one that cannot be spoken', async () => {
    await expect(
      takeOf(place, { text: 'x y', voice: 'flite-slt', speed: 1, take: 'f'.repeat(32) }),
    ).rejects.toMatchObject({ code: 'take_gone' })
    expect(await knownTake(place, { text: 'x y', voice: 'nobody', speed: 1 })).toBeUndefined()
  })
})
