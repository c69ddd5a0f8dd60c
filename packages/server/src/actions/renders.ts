import { randomUUID } from 'node:crypto'
import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { Op, type Sequelize, type Transaction } from 'sequelize'
import type { Document } from '@tidy-reel/core/document/document'
import { reportText } from '@tidy-reel/core/export/film-files'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import type { FilmShape } from '@tidy-reel/core/render/plan'
import { overallProgress, type Progress } from '@tidy-reel/core/render/progress'
import { isHeldBack } from '@tidy-reel/core/render/report'
import { findingFrame } from '@tidy-reel/engine/check/finding-frame'
import { type EngineConfig, folders } from '@tidy-reel/engine/config'
import { filmable } from '@tidy-reel/engine/make/filmable'
import { makeFilm } from '@tidy-reel/engine/make/make-film'
import { pictureLibrary } from '@tidy-reel/engine/stock/library'
import { replacedFile } from '@tidy-reel/engine/storage/kept-file'
import { Episode, Render } from '../db/models.ts'
import { announce } from '../events.ts'
import { RENDER } from '../jobs/kinds.ts'
import type { Queue } from '../jobs/queue.ts'
import { renderView } from './episode-view.ts'
import type { EpisodeActions } from './episodes.ts'

/** A running render that has said nothing for so long has lost its worker. */
const SILENT_MS = 12_000
/** Films that may wait: a week's work of several people. */
const MOST_QUEUED = 30
/** A render says so often that it lives, and looks so often whether it is to stop. */
const HEARTBEAT_MS = 3000
const CANCEL_WATCH_MS = 700

export function renderActions(
  sequelize: Sequelize,
  queue: Queue,
  config: EngineConfig,
  episodes: EpisodeActions,
  ownerId: string,
) {
  const find = async (id: string) => {
    const render = await Render.findOne({ where: { id, ownerId } })
    if (!render) throw new TidyError('render_not_found')
    return render
  }
  const tell = (render: Render) =>
    announce(sequelize, {
      episodeId: render.episodeId,
      kind: 'render',
      data: { id: render.id, state: render.state, progress: render.progress },
    })
  /** Two who start it at once wait for each other: one film of an episode is made at a time. */
  async function queued(
    episodeId: string,
    shape: FilmShape,
    document: Document,
    transaction: Transaction,
  ): Promise<Render> {
    const lock = transaction.LOCK.UPDATE
    await Episode.findOne({ where: { id: episodeId }, attributes: ['id'], lock, transaction })
    if ((await Render.count({ where: { ownerId, state: 'queued' }, transaction })) >= MOST_QUEUED)
      throw new TidyError('work_too_much')
    const open = { episodeId, ownerId, state: { [Op.in]: ['queued', 'running'] } }
    if (await Render.count({ where: open, transaction })) throw new TidyError('render_running')
    return Render.create(
      {
        id: randomUUID(),
        ownerId,
        episodeId,
        state: 'queued',
        shape,
        document,
        progress: null,
        report: null,
        fault: null,
      },
      { transaction },
    )
  }
  return {
    find,
    folder: (id: string) => join(folders(config).renders, id),
    async start(episodeId: string, shape: FilmShape) {
      const { document } = await episodes.find(episodeId)
      filmable(document)
      const render = await sequelize.transaction((transaction) =>
        queued(episodeId, shape, document, transaction),
      )
      await queue.send(RENDER, { renderId: render.id })
      await tell(render)
      return renderView(render)
    },
    async cancel(id: string) {
      const render = await find(id)
      if (render.state === 'queued' || render.state === 'running')
        await render.update({ state: 'cancelled' })
      await tell(render)
      return renderView(render)
    },
    /** A film that failed its check is handed over all the same; anything else stays as it is. */
    async take(id: string, reason: string) {
      const render = await find(id)
      if (render.report && isHeldBack(render.report)) {
        const report = { ...render.report, taken: { reason, at: new Date().toISOString() } }
        await replacedFile(join(this.folder(id), 'report.json'), (half) =>
          writeFile(half, reportText(report)),
        )
        await render.update({ report })
        await tell(render)
      }
      return renderView(render)
    },
    /** The frame of what was found, as a still. */
    async findingFrame(id: string, found: number, signal: AbortSignal) {
      const { report } = await find(id)
      const seconds = report?.check?.[found]?.seconds
      if (seconds === undefined) throw new TidyError('render_not_found')
      return findingFrame(this.folder(id), seconds, signal)
    },
    /** Renders whose worker died are asked for again; what they had finished is used. */
    async sweep() {
      const silent = {
        ownerId,
        state: 'running',
        updatedAt: { [Op.lt]: new Date(Date.now() - SILENT_MS) },
      }
      for (const { id } of await Render.findAll({ where: silent, attributes: ['id'] })) {
        const [taken] = await Render.update({ state: 'queued' }, { where: { ...silent, id } })
        if (taken) await queue.send(RENDER, { renderId: id })
      }
    },
    /**
     * Makes the film. Ends as done, failed or cancelled; put back in the queue when the worker
     * itself is stopped.
     */
    async run(renderId: string, stopping: AbortSignal) {
      const [taken] = await Render.update(
        { state: 'running', fault: null },
        { where: { id: renderId, ownerId, state: 'queued' } },
      )
      if (!taken) return
      const render = await find(renderId)
      const cancel = new AbortController()
      const signal = AbortSignal.any([stopping, cancel.signal])
      const note = progressNotes(sequelize, render)
      const beat = setInterval(() => void note.write().catch(() => undefined), HEARTBEAT_MS)
      const cancelWatch = setInterval(
        () =>
          void Render.findByPk(renderId, { attributes: ['state'] }).then(
            (row) => row?.state === 'cancelled' && cancel.abort(),
            () => undefined,
          ),
        CANCEL_WATCH_MS,
      )
      try {
        const report = await makeFilm(render.document, render.shape, this.folder(renderId), {
          config,
          library: pictureLibrary(config),
          pronunciations: await episodes.pronunciations(render.episodeId),
          signal,
          onProgress: note.hear,
        })
        await Render.update(
          { state: 'done', report, progress: null },
          { where: { id: renderId, state: 'running' } },
        )
      } catch (cause) {
        if (stopping.aborted) {
          await Render.update({ state: 'queued' }, { where: { id: renderId, state: 'running' } })
          await queue.send(RENDER, { renderId })
          return
        }
        const known = isFault(cause) ? cause : new TidyError('unexpected')
        if (!isFault(cause) && !cancel.signal.aborted) console.error(cause)
        await Render.update(
          { state: 'failed', fault: { code: known.code, message: known.message } },
          { where: { id: renderId, state: 'running' } },
        )
      } finally {
        clearInterval(beat)
        clearInterval(cancelWatch)
        await tell(await find(renderId))
      }
    },
  }
}
export type RenderActions = ReturnType<typeof renderActions>

function progressNotes(sequelize: Sequelize, render: Render) {
  const started = Date.now()
  let latest: Progress = { step: 'speak', done: 0, all: 1 }
  let written = 0
  const write = async () => {
    const share = overallProgress(latest)
    const remainingSeconds =
      share > 0.12 ? Math.round((((Date.now() - started) / 1000) * (1 - share)) / share) : null
    const progress = { ...latest, remainingSeconds }
    await Render.update({ progress }, { where: { id: render.id, state: 'running' } })
    await announce(sequelize, {
      episodeId: render.episodeId,
      kind: 'render',
      data: { id: render.id, state: 'running', progress },
    })
  }
  return {
    write,
    hear(progress: Progress) {
      if (overallProgress(progress) < overallProgress(latest)) return
      latest = progress
      if (Date.now() - written < 300) return
      written = Date.now()
      void write().catch(() => undefined)
    },
  }
}
