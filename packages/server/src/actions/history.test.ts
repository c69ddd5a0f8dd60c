import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { Command } from '@tidy-reel/core/document/command'
import { isFault } from '@tidy-reel/core/faults/fault'
import { Change } from '../db/models.ts'
import { type FreshApp, freshApp } from '../test/fresh-app.ts'

let fresh: FreshApp
beforeAll(async () => {
  fresh = await freshApp()
})
afterAll(() => fresh.close())

const picture = (id: string) => ({
  id,
  kind: 'photo' as const,
  title: id,
  seconds: null,
  width: 1,
  height: 1,
  source: '',
  licence: '',
  author: '',
})
const create = async (script = 'The lamp burns. The sea is calm. The keeper sleeps.') => {
  const { id } = await fresh.app.episodes.create('A film', script)
  const run = async (command: Command, actor: 'person' | 'matching' = 'person') =>
    fresh.app.episodes.command(id, (await fresh.app.episodes.find(id)).revision, command, actor)
  return {
    id,
    run,
    document: async () => (await fresh.app.episodes.find(id)).document,
    history: () => fresh.app.history.history(id),
  }
}
const { floor } = Math
/** A repeatable mix of every kind of change. */
const mixed = (n: number, scenes: readonly string[]): Command => {
  const sceneId = scenes[floor((n * 7) % scenes.length)]!
  const last = scenes.at(-1)!
  const commands: Command[] = [
    { type: 'setTitle', title: `Title ${n}` },
    { type: 'editNarration', sceneId, text: `Sentence number ${n} is here.` },
    { type: 'setShot', sceneId, shot: 0, item: picture(`p${n}`) },
    { type: 'setMood', mood: n % 2 ? 'warm' : 'none' },
    { type: 'setVoice', voice: 'flite-rms', speed: 1 + (n % 3) / 10 },
    { type: 'duplicateScenes', sceneIds: [sceneId] },
    { type: 'splitScene', sceneId: last, at: 3 },
    { type: 'moveScenes', sceneIds: [scenes[0]!], place: 'end' },
    {
      type: 'adjustScenes',
      target: [sceneId],
      set: { hidden: n % 2 === 0, pause: 480 * n, speaker: n % 3 ? 'ANN' : null },
    },
    { type: 'setChapter', sceneId, title: `Chapter ${n}` },
    {
      type: 'adjustShots',
      target: 'all',
      shot: null,
      set: { transition: { kind: 'dissolve', samples: 4800 } },
    },
    {
      type: 'insertScenes',
      place: { before: sceneId },
      scenes: [{ script: `New ${n}.`, speaker: '', shots: [] }],
    },
    { type: 'setCard', card: 'opening', set: { shown: n % 2 === 0 } },
    { type: 'deleteScenes', sceneIds: [last] },
  ]
  return commands[n % commands.length]!
}

describe('undo and redo', () => {
  it('take 60 mixed changes back to the first state and bring the last one again', async () => {
    const { id, run, document } = await create()
    const first = JSON.stringify(await document())
    for (let n = 0, made = 0; made < 60; n++) {
      // Some cannot be carried out where they fall (a heading between two scenes, say); the others
      // are enough.
      const refused = await run(
        mixed(
          n,
          (await document()).scenes.map((scene) => scene.id),
        ),
      ).catch((cause: unknown) => cause)
      if (refused instanceof Error && !isFault(refused)) throw refused
      if (!(refused instanceof Error)) made++
    }
    const last = JSON.stringify(await document())
    for (let n = 0; n < 60; n++) await fresh.app.history.undo(id)
    expect(JSON.stringify(await document())).toBe(first)
    await expect(fresh.app.history.undo(id)).rejects.toMatchObject({ code: 'nothing_to_undo' })
    for (let n = 0; n < 60; n++) await fresh.app.history.redo(id)
    expect(JSON.stringify(await document())).toBe(last)
    await expect(fresh.app.history.redo(id)).rejects.toMatchObject({ code: 'nothing_to_redo' })
  })
  it('say what they would change', async () => {
    const { id, run, history } = await create()
    expect(await history()).toEqual({ undo: null, redo: null })
    await run({ type: 'setTitle', title: 'B' })
    await run({ type: 'setMood', mood: 'none' })
    expect(await history()).toEqual({ undo: 'music', redo: null })
    await fresh.app.history.undo(id)
    expect(await history()).toEqual({ undo: 'title', redo: 'music' })
  })
  it('take what matching did afterwards along, both ways', async () => {
    const { id, run, document } = await create()
    await run({ type: 'setTitle', title: 'B' })
    await run(
      {
        type: 'placeShots',
        scenes: [{ sceneId: 's1', text: 'The lamp burns.', items: [picture('m')] }],
      },
      'matching',
    )
    const before = await document()
    await fresh.app.history.undo(id)
    expect((await document()).scenes[0]!.shots).toEqual([])
    await fresh.app.history.redo(id)
    expect(await document()).toEqual(before)
  })
  it('leave what was undone behind when another way is taken, and keep it in the log', async () => {
    const { id, run, document, history } = await create()
    await run({ type: 'setTitle', title: 'B' })
    await fresh.app.history.undo(id)
    await run({ type: 'setTitle', title: 'C' })
    expect(await history()).toEqual({ undo: 'title', redo: null })
    expect((await document()).title).toBe('C')
    expect(
      (await Change.findAll({ where: { episodeId: id }, order: [['id', 'ASC']] })).map(
        ({ state }) => state,
      ),
    ).toEqual(['left', 'done'])
  })
  it('raise the revision, so that other pages hear of it', async () => {
    const { id, run } = await create()
    const { revision } = await run({ type: 'setTitle', title: 'B' })
    expect((await fresh.ask('POST', `/api/episodes/${id}/undo`)).body).toMatchObject({
      revision: revision + 1,
      document: { title: 'A film' },
      history: { undo: null, redo: 'title' },
    })
    expect((await fresh.ask('POST', `/api/episodes/${id}/undo`)).status).toBe(409)
  })
})
