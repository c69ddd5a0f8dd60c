import { describe, expect, it } from 'vitest'
import { type Asked, streams, withService } from '../test/chat-service.ts'
import { chatTranslator } from './chat-translator.ts'

const film = (...texts: string[]) => ({
  title: 'How a lock works',
  from: 'en',
  to: 'de',
  scenes: texts.map((text) => ({ text })),
})
const LOCK = film('A lock is a box.', 'It fills.', 'The boat rises.')
const translated = (answer: Parameters<typeof withService>[0], asked = LOCK) =>
  withService(answer, (address) =>
    chatTranslator({ address, key: '', model: 'm' }, { silenceMs: 300 }, [
      new URL(address).host,
    ]).texts(asked, new AbortController().signal),
  )
const says = (list: unknown) => streams(`Gern: ${JSON.stringify(list)}`)

describe('chatTranslator', () => {
  it('asks for each scene by its number, in the languages by their names', async () => {
    let seen: Asked | undefined
    const { texts, limits } = await translated((asked, response) => {
      seen = asked
      says([
        { scene: 3, text: 'Das Boot steigt.' },
        { scene: 1, text: 'Eine Schleuse ist\nein Kasten.' },
        { scene: 2, text: 'Sie füllt sich.' },
      ])(asked, response)
    })
    expect(seen!.messages[1]!.content).toMatch(/From English into German:\n\n1\. A lock is a box\./)
    expect(texts).toEqual(['Eine Schleuse ist ein Kasten.', 'Sie füllt sich.', 'Das Boot steigt.'])
    expect(limits).toEqual([])
  })
  it('takes nothing on trust: other scenes, twice the same, what is no text, an essay', async () => {
    const { texts, limits } = await translated(
      says([
        { scene: 1, text: 'Ein Kasten.' },
        { scene: 1, text: 'Etwas anderes.' },
        { scene: 9, text: 'Ein Wal.' },
        { scene: 2, text: 'Wort '.repeat(200) },
        { scene: '3', text: 'Das Boot.' },
        { scene: 3, text: '  ' },
      ]),
    )
    expect(texts).toEqual(['Ein Kasten.', null, null])
    expect(limits).toEqual(['Nothing usable came for 2 of them.'])
  })
  it('keeps what came of a long film before the service failed', async () => {
    let parts = 0
    const { texts, limits } = await translated(
      (asked, response) => {
        if (parts++) return void response.writeHead(500).end()
        says([{ scene: 40, text: 'Ein Boot.' }])(asked, response)
      },
      film(...Array.from({ length: 70 }, (_, i) => `Boat ${i + 1} rises.`)),
    )
    expect(texts).toHaveLength(70)
    expect(texts[39]).toBe('Ein Boot.')
    expect(limits.at(-1)).toMatch(/^From scene 41 on: .*error 500/)
  })
  it('says so when the service sends nothing of use', async () => {
    for (const answer of [
      streams('I would rather not.'),
      says([]),
      says([{ scene: 77, text: 'x' }]),
    ])
      await expect(translated(answer)).rejects.toMatchObject({ code: 'writer_answer_invalid' })
  })
})
