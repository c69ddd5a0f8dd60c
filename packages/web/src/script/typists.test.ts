import { countBy } from 'lodash-es'
import { createPinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { type EffectScope, effectScope } from 'vue'
import { apply, documentFrom } from '@tidy-reel/core/document/apply'
import type { Command } from '@tidy-reel/core/document/command'
import { tokensOf } from '@tidy-reel/core/text/text-tokens'
import { type Episode, useEpisode } from '../episode/episode-store.ts'
import { useScriptText } from './use-script-text.ts'

/** `npm run bench:typists` has them type 10,000 times. */
const ROUNDS = Number(process.env['TIDY_TYPISTS'] ?? 400)
const TYPISTS = 3
const FIRST = 'The lamp burns. It turns all night.\n\nThe sea is calm. A ship sees the light.'

type Dice = () => number
/** mulberry32, public domain. */
function dice(seed: number): Dice {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32
  }
}
const below = (roll: Dice, most: number) => Math.floor(roll() * most)

/** A server with one episode, and a network that delays, loses and doubles what is sent. */
function world(roll: Dice) {
  let document = documentFrom('Light', FIRST)
  let revision = 1
  const taken = new Set<string>()
  const listeners = new Set<(revision: number) => void>()
  const delay = () => 5 + below(roll, 400)
  const later = (run: () => void) => setTimeout(run, delay())

  function take(command: Command, key: string) {
    if (taken.has(key)) return
    taken.add(key)
    document = apply(document, command).document
    revision++
    const told = revision
    for (const hear of listeners) later(() => hear(told))
  }
  function answerTo(method: string, path: string, body: string | undefined): unknown {
    if (method === 'POST') {
      const { command, key } = JSON.parse(body ?? '') as { command: Command; key: string }
      take(command, key)
      return { document, revision }
    }
    if (path.endsWith('/candidates')) return {}
    return {
      id: 'e',
      revision,
      document,
      takes: {},
      candidatesAt: '',
      rate: 1,
      pronunciations: [],
      bed: null,
      hashes: {},
      proxies: [],
      renders: [],
      history: { undo: null, redo: null },
    }
  }
  const request = (path: string, { method = 'GET', body }: { method?: string; body?: string }) =>
    new Promise<Response>((resolve, reject) => {
      const luck = roll()
      const lost = () => reject(new TypeError('Failed to fetch'))
      if (luck < 0.08) return void later(lost)
      later(() => {
        const answer = JSON.stringify(answerTo(method, path, body))
        if (luck < 0.2) later(() => void answerTo(method, path, body))
        if (luck > 0.92) later(lost)
        else later(() => resolve(new Response(answer, { status: 200 })))
      })
    })
  return { request, listeners, script: () => document.script, conflicts: () => document.conflicts }
}

/** What is asked of a browser. */
function browser({ request, listeners }: ReturnType<typeof world>) {
  const kept = new Map<string, string>()
  vi.stubGlobal('fetch', request)
  vi.stubGlobal('localStorage', {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem(key: string, value: string) {
      kept.set(key, value)
      // Keys are listed as a browser does: as the names of the store's own fields.
      Object.defineProperty(this, key, { value, enumerable: true, configurable: true })
    },
    removeItem(key: string) {
      kept.delete(key)
      Reflect.deleteProperty(this, key)
    },
  })
  vi.stubGlobal(
    'EventSource',
    class {
      private hear = (_revision: number) => {}
      addEventListener(kind: string, heard: (event: { data: string }) => void) {
        if (kind !== 'document') return
        this.hear = (revision) => heard({ data: JSON.stringify({ revision }) })
        listeners.add(this.hear)
      }
      close() {
        listeners.delete(this.hear)
      }
    },
  )
  const held = new Map<string, (() => void)[]>()
  vi.stubGlobal('navigator', {
    locks: {
      request(name: string, then: () => unknown) {
        const waiting = held.get(name)
        if (waiting) return void waiting.push(() => void then())
        if (then() instanceof Promise) held.set(name, [])
      },
    },
  })
  /** A tab that ends sets its locks free. */
  const end = (before: ReadonlySet<string>, mine: ReadonlySet<string>) => {
    for (const name of mine)
      if (!before.has(name)) {
        const waiting = held.get(name) ?? []
        held.delete(name)
        for (const run of waiting) run()
      }
  }
  return { held, end }
}

interface Tab {
  episode: Episode
  text: { value: string }
  close(): void
}

describe('three who write in one script', () => {
  beforeEach(() => void vi.useFakeTimers())
  afterEach(() => {
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })

  it(`lose no word in ${ROUNDS} edits over a bad network, tabs that close among them`, async () => {
    const roll = dice(7)
    const all = world(roll)
    const { held, end } = browser(all)
    const openTab = async (): Promise<Tab> => {
      const before = new Set(held.keys())
      const scope: EffectScope = effectScope()
      const episode = scope.run(() => useEpisode(createPinia()))!
      const mine = new Set(held.keys())
      do {
        void episode.open('e')
        await vi.advanceTimersByTimeAsync(3000)
      } while (!episode.isOpen)
      const written = scope.run(() => useScriptText(episode))!
      return {
        episode,
        text: written.text,
        close() {
          written.save()
          scope.stop()
          episode.close()
          end(before, mine)
        },
      }
    }
    const tabs: Tab[] = []
    for (let n = 0; n < TYPISTS; n++) tabs.push(await openTab())
    let words = 0
    const typed = new Set<string>()
    const takenOut = new Set<string>()
    const word = () => {
      // Taken out or run into another, it is found all the same.
      const made = `w${words++}z`
      typed.add(made)
      return made
    }
    for (let round = 0; round < ROUNDS; round++) {
      const n = below(roll, TYPISTS)
      const tab = tabs[n]!
      const before = tokensOf(tab.text.value)
      const after = edited(before, word, roll)
      const text = after.join('')
      // Where both versions of a sentence stand, a word may be taken out of one of them.
      const [had, has] = [countBy(wordsIn(tab.text.value)), countBy(wordsIn(text))]
      for (const [made, times] of Object.entries(had))
        if (times > (has[made] ?? 0)) takenOut.add(made)
      tab.text.value = text
      await vi.advanceTimersByTimeAsync(below(roll, roll() < 0.5 ? 200 : 1500))
      if (roll() < 0.02) {
        tab.close()
        tabs[n] = await openTab()
      }
    }
    for (let n = 0; n < 200; n++) await vi.advanceTimersByTimeAsync(1000)
    for (const { text, episode } of tabs) {
      expect(episode.saving).toBe('saved')
      expect(episode.aside).toEqual([])
      expect(text.value).toBe(all.script())
    }
    const left = new Set(wordsIn(all.script()))
    expect([...typed].filter((made) => !left.has(made) && !takenOut.has(made))).toEqual([])
    expect(typed.size).toBeGreaterThan(ROUNDS)
    if (process.env['TIDY_TYPISTS'])
      console.log(
        `${ROUNDS} edits, ${typed.size} words typed, ${takenOut.size} taken out, ` +
          `${left.size} left, ${all.conflicts().length} sentences twice, to be settled`,
      )
    for (const tab of tabs) tab.close()
  }, 600_000)
})

const wordsIn = (text: string): string[] => text.match(/w\d+z/g) ?? []

/** An edit as a person makes one: words put in, taken out or replaced, a sentence begun. */
function edited(tokens: readonly string[], word: () => string, roll: Dice): string[] {
  // Near the end they meet.
  const end = Math.max(0, tokens.length - below(roll, 12))
  const at = roll() < 0.4 ? end : below(roll, tokens.length + 1)
  const some = () => Array.from({ length: 1 + below(roll, 3) }, () => [' ', word()]).flat()
  // As long as it gets, more goes out than comes in.
  const out = tokens.length > 600 ? 120 : 1 + below(roll, 5)
  const way = tokens.length > 600 ? 0.9 : roll()
  if (way < 0.45) return tokens.toSpliced(at, 0, ...some(), ' ')
  if (way < 0.6) return [...tokens, ...some(), '.']
  if (way < 0.7) return tokens.toSpliced(at, 0, '\n\n', ...some(), '. ')
  if (way < 0.85) return tokens.toSpliced(at, out, ...some(), ' ')
  return tokens.toSpliced(at, out)
}
