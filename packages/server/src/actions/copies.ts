import { existsSync } from 'node:fs'
import { mkdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import type { Sequelize, Transaction } from 'sequelize'
import { COPIES_LIMIT, copyName, type CopyWish, type FilmCopy } from '@tidy-reel/core/export/copies'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import { isHeldBack } from '@tidy-reel/core/render/report'
import { type EngineConfig, folders } from '@tidy-reel/engine/config'
import { filmCopy } from '@tidy-reel/engine/copies/film-copy'
import { Render } from '../db/models.ts'
import { announce } from '../events.ts'
import { COPY } from '../jobs/kinds.ts'
import type { Queue } from '../jobs/queue.ts'
import { renderView } from './episode-view.ts'

/** How far a copy is is told so often. */
const TOLD_MS = 1000

/** Copies of finished films, in other kinds. */
export function copyActions(
  sequelize: Sequelize,
  queue: Queue,
  config: EngineConfig,
  ownerId: string,
) {
  const folderOf = (renderId: string) => join(folders(config).renders, renderId)
  const fileOf = (renderId: string, name: string) => join(folderOf(renderId), 'copies', name)

  const send = (renderId: string, name: string) =>
    queue.send(COPY, { renderId, name }, `${renderId} ${name}`)

  /** Two who change a film's copies at once wait for each other. */
  async function change(
    id: string,
    changed: (copies: FilmCopy[], render: Render) => FilmCopy[],
  ): Promise<Render> {
    const render = await sequelize.transaction(async (transaction: Transaction) => {
      const lock = transaction.LOCK.UPDATE
      const found = await Render.findOne({ where: { id, ownerId }, lock, transaction })
      if (!found) throw new TidyError('render_not_found')
      return found.update({ copies: changed(found.copies, found) }, { transaction })
    })
    const { episodeId, copies } = render
    await announce(sequelize, { episodeId, kind: 'copies', data: { id, copies } })
    return render
  }
  const note = (id: string, name: string, told: Partial<FilmCopy>) =>
    change(id, (copies) =>
      copies.map((copy) => {
        // How far it was may be told after its end.
        const isLate = copy.state === 'done' && told.state === 'running'
        return copy.name === name && !isLate ? { ...copy, ...told } : copy
      }),
    )

  return {
    /** One that is there, or on its way, is not made again. */
    async ask(id: string, wish: CopyWish) {
      const name = copyName(wish)
      const asked = { isNew: false }
      const render = await change(id, (copies, { state, report }) => {
        if (state !== 'done' || !report || isHeldBack(report)) throw new TidyError('file_not_ready')
        const known = copies.find((copy) => copy.name === name)
        const isThere = known?.state === 'done' && existsSync(fileOf(id, name))
        if (isThere || known?.state === 'queued' || known?.state === 'running') return copies
        const others = copies.filter((copy) => copy !== known)
        if (others.length >= COPIES_LIMIT) throw new TidyError('work_too_much')
        asked.isNew = true
        return [...others, { name, wish, state: 'queued', done: 0 }]
      })
      if (asked.isNew) await send(id, name)
      return renderView(render)
    },
    /** One that is being made is stopped, one that is there goes. */
    async remove(id: string, name: string) {
      const render = await change(id, (copies) => copies.filter((copy) => copy.name !== name))
      await rm(fileOf(id, name), { force: true })
      return renderView(render)
    },
    /** @throws TidyError `copy_not_found` while it is not there */
    async file(id: string, name: string): Promise<string> {
      const render = await Render.findOne({ where: { id, ownerId } })
      const copy = render?.copies.find((one) => one.name === name)
      if (copy?.state !== 'done') throw new TidyError('copy_not_found')
      return fileOf(id, name)
    },
    /** Made by a worker; what was stopped with it is made by the next. */
    async run(id: string, name: string, stopping: AbortSignal) {
      const render = await Render.findOne({ where: { id, ownerId } })
      const copy = render?.copies.find((one) => one.name === name)
      if (!copy || copy.state === 'done') return
      const removed = new AbortController()
      const signal = AbortSignal.any([stopping, removed.signal])
      let told = 0
      const tell = (done: number) => {
        if (Date.now() - told < TOLD_MS) return
        told = Date.now()
        void note(id, name, { state: 'running', done }).then(
          ({ copies }) => copies.some((one) => one.name === name) || removed.abort(),
          () => undefined,
        )
      }
      await note(id, name, { state: 'running', done: 0 })
      try {
        const out = fileOf(id, name)
        await mkdir(join(out, '..'), { recursive: true })
        const film = join(folderOf(id), 'film.mp4')
        const bytes = await filmCopy(film, copy.wish, out, { signal, onProgress: tell })
        await note(id, name, { state: 'done', done: 1, bytes })
      } catch (cause) {
        if (removed.signal.aborted) return
        if (stopping.aborted) {
          await note(id, name, { state: 'queued', done: 0 })
          await send(id, name)
          return
        }
        const known = isFault(cause) ? cause : new TidyError('unexpected')
        if (!isFault(cause)) console.error(cause)
        await note(id, name, { state: 'failed', fault: known.message })
      }
    },
  }
}
export type CopyActions = ReturnType<typeof copyActions>
