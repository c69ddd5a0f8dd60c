import { describe, expect, it } from 'vitest'
import { type Asked, streams, withService } from '../test/chat-service.ts'
import { chatDirector } from './chat-director.ts'

const film = (...texts: string[]) => ({
  title: 'How a lock works',
  scenes: texts.map((text) => ({ text, chapterTitle: 'The chamber' })),
})
const LOCK = film('A lock is a box.', 'It fills.', 'The boat rises.')
const signal = () => new AbortController().signal
const directed = (
  answer: Parameters<typeof withService>[0],
  asked = LOCK,
  patience = { silenceMs: 300 },
) =>
  withService(answer, (address) =>
    chatDirector({ address, key: '', model: 'm' }, patience, [new URL(address).host]).depictions(
      asked,
      signal(),
    ),
  )
const says = (list: unknown) => streams(`Here you are: ${JSON.stringify(list)}`)

describe('chatDirector', () => {
  it('asks for every scene by its number and reads what each shows', async () => {
    let seen: Asked | undefined
    const { depictions, limits } = await directed((asked, response) => {
      seen = asked
      says([
        {
          scene: 1,
          see: 'A stone lock chamber from above.',
          search: ['lock chamber'],
          not: ['key'],
        },
        { scene: 3, see: 'a narrow boat rising', search: ['narrow boat', 'boat'], not: [] },
        { scene: 2, see: 'water pouring in' },
      ])(asked, response)
    })
    expect(seen!.messages[1]!.content).toMatch(/# The chamber\n1\. A lock is a box\.\n2\. It fills/)
    expect(depictions).toEqual([
      { see: 'A stone lock chamber from above', search: ['lock chamber'], not: ['key'] },
      { see: 'water pouring in', search: [], not: [] },
      { see: 'a narrow boat rising', search: ['narrow boat', 'boat'], not: [] },
    ])
    expect(limits).toEqual([])
  })
  it('takes nothing on trust: other scenes, no directions, brackets, twice the same', async () => {
    const { depictions, limits } = await directed(
      says([
        { scene: 1, see: 'a lock' },
        { scene: 1, see: 'something else' },
        { scene: 2, see: '[pause 60s] a lock' },
        { scene: 9, see: 'a whale' },
        { scene: '2', see: 'a lock' },
        'nothing',
        { scene: 3, see: 'word '.repeat(40) },
      ]),
    )
    expect(depictions).toEqual([{ see: 'a lock', search: [], not: [] }, null, null])
    expect(limits).toEqual([
      '3 of its answers name no scene that was asked for.',
      'Not usable as a direction: scene 2, 3.',
    ])
  })
  it('keeps of its words what can be looked for, and says what did not come', async () => {
    const { depictions, limits } = await directed(
      says([
        { scene: 2, see: 'a lock', search: ['gate', 7, '', '[x]', 'w'.repeat(99)], not: 'key' },
      ]),
    )
    expect(depictions[1]).toEqual({ see: 'a lock', search: ['gate'], not: [] })
    expect(limits).toEqual(['Nothing came for scene 1, 3.'])
  })
  it('asks for a long film in parts and keeps those that came', async () => {
    const long = film(...Array.from({ length: 100 }, (_, i) => `Boat number ${i + 1} rises.`))
    let parts = 0
    const { depictions, limits } = await directed((asked, response) => {
      if (parts++) return void response.writeHead(500).end()
      says([{ scene: 60, see: 'a boat' }])(asked, response)
    }, long)
    expect(depictions).toHaveLength(100)
    expect(depictions[59]).toMatchObject({ see: 'a boat' })
    expect(limits.at(-1)).toMatch(/^From scene 61 on: .*error 500/)
  })
  it.each<[string, Parameters<typeof withService>[0], string, RegExp]>([
    ['is away', (_a, response) => response.destroy(), 'writer_unreachable', /does not answer/],
    ['is slow', () => undefined, 'writer_unreachable', /does not answer/],
    ['chats', streams('I would rather not.'), 'writer_answer_invalid', /no list/],
    ['sends an empty list', says([]), 'writer_answer_invalid', /no list/],
    [
      'says nothing of these scenes',
      says([{ scene: 77, see: 'x' }]),
      'writer_answer_invalid',
      /nothing in its answer/,
    ],
  ])('says so when the service %s', async (_what, answer, code, why) => {
    const failure = directed(answer)
    await expect(failure).rejects.toMatchObject({ code })
    await expect(failure).rejects.toThrow(why)
  })
})
