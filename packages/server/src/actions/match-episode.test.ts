import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Command } from '@tidy-reel/core/document/command'
import { WIDE } from '@tidy-reel/engine/stock/match-film'
import { Candidates, connect, LOCAL_OWNER } from '../db/models.ts'
import { type FreshApp, freshApp } from '../test/fresh-app.ts'
import { type LibraryActions, libraryActions } from './library.ts'
import { matchEpisode } from './match-episode.ts'

/** Of each thing clips and stills, of two houses. */
const ITEMS = ['lamp', 'whale', 'bridge', 'apple'].flatMap((thing, t) =>
  Array.from({ length: 12 }, (_, i) => ({
    id: `${thing}-${i}`,
    kind: i % 2 ? 'photo' : 'clip',
    title: `${['Old', 'Small', 'Red', 'Far', 'Wet', 'New'][i >> 1]} ${thing} ${i}`,
    tags: [thing, `kind${t}${i}`],
    width: 1920,
    height: 1080,
    seconds: i % 2 ? null : 20,
    source: i % 3 ? 'Harbour House' : 'https://www.pictures.example/12',
    licence: 'CC0',
    author: 'Ann',
  })),
)
/** Of one thing as many upright as wide ones. */
const TOWERS = Array.from({ length: 12 }, (_, i) => ({
  ...ITEMS[1]!,
  id: `tower-${i % 2 ? 'upright' : 'wide'}-${i}`,
  title: `Tower ${i}`,
  tags: ['tower', `form${i}`],
  orientation: i % 2 ? 'portrait' : 'landscape',
}))
const UPRIGHT = { width: 1080, height: 1920 }
let stock: Server
let fresh: FreshApp
let library: LibraryActions
beforeAll(async () => {
  stock = createServer(
    (_, response) =>
      void response.end(
        JSON.stringify({ total: ITEMS.length, page: 1, items: [...ITEMS, ...TOWERS] }),
      ),
  )
  await new Promise<void>((listening) => stock.listen(0, '127.0.0.1', listening))
  fresh = await freshApp(`http://127.0.0.1:${(stock.address() as AddressInfo).port}`)
  library = libraryActions(connect(fresh.database), LOCAL_OWNER)
})
afterAll(async () => {
  await fresh.close()
  stock.close()
})

const SCRIPT = 'The lamp burns. A whale sings. The bridge holds. An apple falls.'
async function matched() {
  const { id } = await fresh.app.episodes.create('A film', SCRIPT)
  const match = async () => {
    const episode = await fresh.app.episodes.find(id)
    return matchEpisode(
      fresh.engine,
      fresh.app.episodes,
      library,
      episode,
      WIDE,
      new AbortController().signal,
    )
  }
  const shots = async () =>
    (await fresh.app.episodes.find(id)).document.scenes.map((scene) => scene.shots)
  const first = async () => (await shots()).map(([shot]) => shot!.item!)
  const change = async (command: Command) => {
    await fresh.app.episodes.command(id, (await fresh.app.episodes.find(id)).revision, command)
    await match()
  }
  await match()
  return { id, match, shots, first, change }
}

describe('matchEpisode', () => {
  it('shows what each sentence names, and a second time changes nothing', async () => {
    const { id, match, first } = await matched()
    expect((await first()).map((item) => item.id.split('-')[0])).toEqual([
      'lamp',
      'whale',
      'bridge',
      'apple',
    ])
    const { revision } = await fresh.app.episodes.find(id)
    await match()
    expect((await fresh.app.episodes.find(id)).revision).toBe(revision)
  })
  it('lets pictures go on over short sentences, anew for another rhythm, never against what a person said', async () => {
    const { id, change } = await matched()
    const scenes = async () => (await fresh.app.episodes.find(id)).document.scenes
    const held = async () =>
      (await scenes()).flatMap((scene) => (scene.begins?.how === 'hold' ? [scene.id] : []))
    const short = await held()
    expect(short.length).toBeGreaterThan(0)
    await change({ type: 'adjustScenes', target: [short[0]!], set: { begins: 'cut' } })
    await change({ type: 'setPicking', set: { rhythm: 'calm' } })
    expect(await held()).not.toContain(short[0])
    expect((await scenes()).find((scene) => scene.id === short[0])!.begins).toEqual({
      how: 'cut',
      by: 'hand',
    })
  })
  it.each([
    [1, 'photo'],
    [0, 'clip'],
  ] as const)(
    'chooses anew for a share of stills of %d, what a person chose left as it is',
    async (stills, kind) => {
      const { first, change } = await matched()
      const other = ITEMS.find((item) => item.kind !== kind && item.id.startsWith('whale'))!
      await change({
        type: 'setShot',
        sceneId: 's2',
        shot: 0,
        item: { ...other, kind: other.kind as 'clip' | 'photo' },
      })
      await change({ type: 'setPicking', set: { stills } })
      const items = await first()
      expect(items.map((item) => item.kind === kind)).toEqual([true, false, true, true])
      expect(items[1]!.id).toBe(other.id)
    },
  )
  it('takes nothing from a source that is left out, and changes nothing that came from elsewhere', async () => {
    const { first, change } = await matched()
    const before = await first()
    await change({ type: 'setPicking', set: { without: ['pictures.example'] } })
    const after = await first()
    expect(after.every(({ source }) => source === 'Harbour House')).toBe(true)
    for (const [i, { id, source }] of before.entries())
      if (source === 'Harbour House') expect(after[i]!.id).toBe(id)
  })
  it('shows no picture longer than is wished', async () => {
    const { id, shots, change } = await matched()
    await fresh.app.episodes.command(id, (await fresh.app.episodes.find(id)).revision, {
      type: 'editNarration',
      sceneId: 's1',
      text: 'The lamp burns all through the long night, and nobody comes to look at it',
    })
    await change({ type: 'setPicking', set: { longest: 2 } })
    const [long, short] = await shots()
    expect(long!.length).toBeGreaterThanOrEqual(2)
    expect(new Set(long!.map(({ item }) => item!.id)).size).toBe(long!.length)
    expect(short!.length).toBeLessThan(long!.length)
  })
  it('puts another in the place of one that was turned down, there alone', async () => {
    const { first, change } = await matched()
    const before = await first()
    await change({
      type: 'refusePicture',
      item: before[2]!,
      refusal: { reason: 'seen', sentence: 'The bridge holds.', words: ['bridge'] },
    })
    const after = await first()
    expect(after.map(({ id }, i) => id === before[i]!.id)).toEqual([true, true, false, true])
  })
  it.each([
    ['wide', WIDE],
    ['upright', UPRIGHT],
  ])('shows %s pictures in a film of that shape', async (name, shape) => {
    const { id } = await fresh.app.episodes.create('A film', 'The tower stands.')
    const episode = await fresh.app.episodes.find(id)
    const { signal } = new AbortController()
    await matchEpisode(fresh.engine, fresh.app.episodes, library, episode, shape, signal)
    const { document } = await fresh.app.episodes.find(id)
    expect(document.scenes[0]!.shots[0]!.item!.id).toContain(`tower-${name}`)
  })
  it('shows what a direction asks for once it is given, there alone, and not what it will not have', async () => {
    const { first, change } = await matched()
    const before = await first()
    const asks = (picture: string | null): Command => ({
      type: 'adjustScenes',
      target: ['s2'],
      set: { picture },
    })
    const subjects = async () => (await first()).map(({ id }) => id.split('-')[0])
    await change(asks('an apple, not a lamp'))
    expect((await subjects()).slice(0, 3)).toEqual(['lamp', 'apple', 'bridge'])
    expect((await first())[0]!.id).toBe(before[0]!.id)
    await change(asks(null))
    expect(await subjects()).toEqual(['lamp', 'whale', 'bridge', 'apple'])
  })
  it('tells which numbers are worth showing', async () => {
    const { id } = await fresh.app.episodes.create(
      'A film',
      'In 1859 the lamp burned. The bridge is four hundred metres long.',
    )
    const episode = await fresh.app.episodes.find(id)
    await matchEpisode(
      fresh.engine,
      fresh.app.episodes,
      library,
      episode,
      WIDE,
      new AbortController().signal,
    )
    expect(
      (await Candidates.findAll({ where: { episodeId: id }, order: ['sceneId'] })).map(
        ({ numbers }) => numbers,
      ),
    ).toEqual([['1859'], ['400 metres']])
  })
})
