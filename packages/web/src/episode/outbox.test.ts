import { describe, expect, it } from 'vitest'
import { apply } from '@tidy-reel/core/document/apply'
import type { Command } from '@tidy-reel/core/document/command'
import { emptyDocument } from '@tidy-reel/core/document/document'
import { outbox, type SaveState } from './outbox.ts'
import { tabOf } from './tab-in-memory.ts'

class Refused extends Error {}
class Failed extends Error {}

/** A server that applies what it is sent, can be away, and a browser's storage in memory. */
function world() {
  let document = emptyDocument('T')
  let revision = 1
  const server = {
    away: false,
    refuse: false,
    taken: [] as Command[],
    slow: 0,
    failOver: '',
    refuseTitle: '',
  }
  const kept = new Map<string, string>()
  let tabs = 0
  /** A tab whose predecessors are gone. */
  const newTab = () => tabOf(kept, `t${tabs++}`)
  const heard = { states: [] as SaveState[], refused: [] as string[] }
  const open = () =>
    outbox(
      async (_id, _revision, command) => {
        if (server.slow) await new Promise((resolve) => setTimeout(resolve, server.slow))
        if (server.away) throw new Error('no answer')
        const called = command.type === 'setTitle' ? command.title : ''
        if (server.refuse || (called && called === server.refuseTitle)) throw new Refused('no')
        if (called && called === server.failOver) throw new Failed('failed over it')
        document = apply(document, command).document
        server.taken.push(command)
        return { revision: ++revision, document }
      },
      newTab(),
      {
        state: (_id, state) => heard.states.push(state),
        taken: () => undefined,
        setAside: (_id, { reason }) => heard.refused.push(reason),
      },
      (cause) => {
        if (cause instanceof Refused) return 'final'
        return cause instanceof Failed ? 'odd' : 'passes'
      },
      20,
    )
  return { server, kept, heard, open, newTab, document: () => document }
}
const script = (text: string, base?: string): Command => ({
  type: 'setScript',
  script: text,
  ...(base === undefined ? {} : { base }),
})
const title = (text: string): Command => ({ type: 'setTitle', title: text })

describe('outbox', () => {
  it('sends edits in their order and says when all are saved', async () => {
    const { server, heard, open } = world()
    const box = open()
    box.add('e', 1, title('A'))
    box.add('e', 1, script('One.'))
    await expect.poll(() => server.taken.map(({ type }) => type)).toEqual(['setTitle', 'setScript'])
    expect(heard.states.at(-1)).toBe('saved')
  })
  it('keeps edits while the server is away and sends them once it is back', async () => {
    const { server, heard, kept, open } = world()
    server.away = true
    const box = open()
    box.add('e', 1, title('A'))
    await expect.poll(() => heard.states.at(-1)).toBe('offline')
    expect(kept.size).toBe(1)
    server.away = false
    await expect.poll(() => heard.states.at(-1)).toBe('saved')
    expect(server.taken).toEqual([title('A')])
    expect(kept.size).toBe(0)
  })
  it('sends what a closed page left behind', async () => {
    const { server, open } = world()
    server.away = true
    open().add('e', 1, title('Left behind'))
    server.away = false
    await open().send('e')
    expect(server.taken).toContainEqual(title('Left behind'))
  })
  it('sends only the last of many scripts that wait, and never changes the one on its way', async () => {
    const { server, document, open } = world()
    server.slow = 15
    const box = open()
    const texts = ['', 'A.', 'A b.', 'A b c.', 'A b c d.']
    texts.slice(1).forEach((text, i) => box.add('e', 1, script(text, texts[i])))
    await expect.poll(() => box.waiting('e')).toBe(0)
    expect(server.taken.map((command) => command.type === 'setScript' && command.script)).toEqual([
      'A.',
      'A b c d.',
    ])
    expect(document().script).toBe('A b c d.')
  })
  it('sends scripts apart of which one was not written on the other', async () => {
    const { server, open } = world()
    server.slow = 15
    const box = open()
    for (const [text, base] of [
      ['A.', ''],
      ['A. B.', 'A.'],
      ['A. X. C.', 'A. X.'],
    ] as const)
      box.add('e', 1, script(text, base))
    await expect.poll(() => box.waiting('e')).toBe(0)
    expect(server.taken).toHaveLength(3)
  })
  it('sends an edit whose answer was lost again under the same key', async () => {
    const { newTab, open } = world()
    const keys: string[] = []
    const lost = outbox(
      async (_id, _revision, _command, key) => {
        keys.push(key)
        throw new Error('the answer was lost')
      },
      newTab(),
      { state: () => undefined, taken: () => undefined, setAside: () => undefined },
      () => 'passes',
      10,
    )
    lost.add('e', 1, title('A'))
    await expect.poll(() => keys.length).toBeGreaterThan(2)
    expect(new Set(keys).size).toBe(1)
    expect(open().waiting('e')).toBe(1)
  })
  it('sets aside the one edit that is refused, with its words, and sends those after it', async () => {
    const { server, heard, kept, open } = world()
    server.refuseTitle = 'No'
    const box = open()
    for (const words of ['Yes', 'No', 'Yes too']) box.add('e', 1, title(words))
    await expect.poll(() => server.taken).toEqual([title('Yes'), title('Yes too')])
    expect(heard.states.at(-1)).toBe('saved')
    expect(heard.refused).toEqual(['no'])
    expect(box.aside('e').map(({ command }) => command)).toEqual([title('No')])
    // A page that is opened anew still has the words, until they are let go.
    const again = open()
    expect(again.aside('e')).toEqual(box.aside('e'))
    again.letGo('e', again.aside('e')[0]!.key)
    expect(kept.size).toBe(0)
  })
  it('tries an edit that the server fails over a few times, then goes on without it', async () => {
    const { server, heard, open } = world()
    server.failOver = 'Poison'
    const box = open()
    box.add('e', 1, title('Poison'))
    box.add('e', 1, script('Goes on.'))
    await expect.poll(() => server.taken).toEqual([script('Goes on.')])
    expect(heard.refused).toEqual(['failed over it'])
    expect(heard.states.filter((state) => state === 'offline').length).toBe(3)
  })
  it('mends a text that was cut in the midst of an emoji before it is sent or kept', async () => {
    const { server, open } = world()
    open().add('e', 1, title(`Tide ${'🌊'.slice(0, 1)}\u0000`))
    await expect.poll(() => server.taken).toEqual([title('Tide \ufffd')])
  })
  it('keeps the edits of two episodes apart', async () => {
    const { server, open } = world()
    const box = open()
    box.add('a', 1, title('A'))
    box.add('b', 1, title('B'))
    await expect.poll(() => server.taken).toHaveLength(2)
  })
})
