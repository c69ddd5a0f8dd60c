import { describe, expect, it } from 'vitest'
import type { Brief, Outline } from '@tidy-reel/core/writing/brief'
import { type Asked, piece, streams, withService } from '../test/chat-service.ts'
import { chatWriter } from './chat-writer.ts'

const brief: Brief = {
  topic: 'Lamps',
  audience: '',
  tone: '',
  minutes: 2,
  points: [],
  sample: '',
  sources: [
    {
      id: 'a',
      title: 'Book',
      text: 'The lamp was lit in 1822. It burned whale oil for fifty years.',
    },
  ],
}
const outline: Outline = [
  { title: 'The lamp', minutes: 1, points: [] },
  { title: 'The oil', minutes: 1, points: [] },
]

const writer = (address: string) =>
  chatWriter({ address, key: 'secret', model: 'm' }, { silenceMs: 300 }, [new URL(address).host])
const signal = () => new AbortController().signal
const drafted = (answer: Parameters<typeof withService>[0]) =>
  withService(answer, (address) => writer(address).draft(brief, outline, 1, signal()))

describe('chatWriter', () => {
  it('posts the brief with numbered source sentences and the key, and reads the stream', async () => {
    let seen: Asked | undefined
    let key: string | undefined
    const draft = await drafted((asked, response, request) => {
      seen = asked
      key = request.headers.authorization
      streams('Somebody lit a lamp in 1822. [1.1]\n\n# The lamp\nIt burned whale oil [1.2].')(
        asked,
        response,
      )
    })
    expect(key).toBe('Bearer secret')
    expect(seen).toMatchObject({ model: 'm', stream: true })
    expect(seen!.messages[1]!.content).toContain('[1.2] It burned whale oil for fifty years.')
    expect(draft.sentences).toEqual([
      {
        text: 'Somebody lit a lamp in 1822.',
        chapter: -1,
        from: [{ source: 'a', words: 'The lamp was lit in 1822.' }],
      },
      {
        text: 'It burned whale oil.',
        chapter: 0,
        from: [{ source: 'a', words: 'It burned whale oil for fifty years.' }],
      },
    ])
    expect(draft.limits).toEqual([])
  })
  it('finds out lies: marks that do not exist, and marks that say something else', async () => {
    const { sentences, limits } = await drafted(
      streams(
        '# The lamp\nIt was lit in 1825. [1.1] Sailors loved the captain dearly. [1.2] Nobody knew. [9.9] And so it went.',
      ),
    )
    expect(sentences.every(({ from }) => from.length === 0)).toBe(true)
    expect(limits.join(' ')).toMatch(
      /4 of 4 sentences stand on nothing.*1 marks name a source sentence that does not exist.*2 marks name a source sentence that says something else/,
    )
  })
  it('reads an answer that comes whole', async () => {
    const { sentences } = await drafted((_asked, response) =>
      response
        .setHeader('content-type', 'application/json')
        .end(JSON.stringify({ choices: [{ message: { content: 'It burned whale oil. [1.2]' } }] })),
    )
    expect(sentences).toHaveLength(1)
  })
  it('reads an outline among words, and makes its minutes add up', async () => {
    const made = await withService(
      streams(
        'Here it is:\n```json\n[{"title":"One","minutes":1,"points":[]},{"title":"Two","minutes":3,"points":["x"]}]\n```',
      ),
      (address) => writer(address).outline(brief, signal()),
    )
    expect(made.map(({ minutes }) => minutes)).toEqual([0.5, 1.5])
  })
  it.each<[string, Parameters<typeof withService>[0], string, RegExp]>([
    [
      'does not know the key',
      (_a, response) => response.writeHead(401).end(),
      'writer_refused',
      /does not know the key/,
    ],
    [
      'is asked too often',
      (_a, response) => response.writeHead(429).end(),
      'writer_refused',
      /too often/,
    ],
    [
      'breaks',
      (_a, response) => response.writeHead(500).end('<h1>no</h1>'),
      'writer_refused',
      /error 500/,
    ],
    [
      'breaks off half-way',
      streams('It burned', ''),
      'writer_answer_invalid',
      /broke off half-way/,
    ],
    [
      'hangs up',
      (_a, response) => {
        response.setHeader('content-type', 'text/event-stream').write(piece('It'))
        setTimeout(() => response.destroy(), 20)
      },
      'writer_answer_invalid',
      /broke off/,
    ],
    [
      'falls silent',
      (_a, response) =>
        void response.setHeader('content-type', 'text/event-stream').write(piece('It')),
      'writer_answer_invalid',
      /fell silent/,
    ],
    [
      'sends no JSON',
      (_a, response) =>
        response.setHeader('content-type', 'text/event-stream').end('data: hello\n\n'),
      'writer_answer_invalid',
      /not JSON/,
    ],
    [
      'answers in another form',
      (_a, response) => response.setHeader('content-type', 'application/json').end('{"text":"x"}'),
      'writer_answer_invalid',
      /another form/,
    ],
    ['has nothing to say', streams(''), 'writer_answer_invalid', /no sentence/],
  ])('says so when the service %s', async (_what, answer, code, why) => {
    const failure = drafted(answer)
    await expect(failure).rejects.toMatchObject({ code })
    await expect(failure).rejects.toThrow(why)
  })
  it('says so when nobody answers, and when it is stopped', async () => {
    await expect(
      writer('http://127.0.0.1:1/chat').draft(brief, outline, 1, signal()),
    ).rejects.toMatchObject({ code: 'writer_unreachable' })
    const stop = new AbortController()
    await expect(
      withService(
        () => stop.abort(),
        (address) => writer(address).draft(brief, outline, 1, stop.signal),
      ),
    ).rejects.toMatchObject({ code: 'cancelled' })
  })
  it('refuses an outline that is none', async () => {
    await expect(
      withService(streams('I would rather not.'), (address) =>
        writer(address).outline(brief, signal()),
      ),
    ).rejects.toThrow(/no list of chapters/)
  })
})
