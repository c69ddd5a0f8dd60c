import { join } from 'node:path'
import { z } from 'zod'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import {
  type Brief,
  type Draft,
  emptyBrief,
  type Outline,
  type WriterView,
  type Writing,
} from '@tidy-reel/core/writing/brief'
import { departures, styleOf } from '@tidy-reel/core/writing/style'
import { type EngineConfig, folders } from '@tidy-reel/engine/config'
import { chatDirector } from '@tidy-reel/engine/directing/chat-director'
import type { Director } from '@tidy-reel/engine/directing/contract'
import { secretFile } from '@tidy-reel/engine/storage/secret-file'
import type { WorkPool } from '@tidy-reel/engine/threads/pool'
import { chatTranslator } from '@tidy-reel/engine/translating/chat-translator'
import type { Translator } from '@tidy-reel/engine/translating/contract'
import { wayTo } from '@tidy-reel/engine/writing/chat-service'
import { chatWriter } from '@tidy-reel/engine/writing/chat-writer'
import type { Writer } from '@tidy-reel/engine/writing/contract'
import { WriterSettings, WritingRow } from '../db/models.ts'
import type { EpisodeActions } from './episodes.ts'

/** A key and the one address it is for. */
const WriterKey = z.object({ address: z.string(), key: z.string() })

/** Of a brief that says none. */
const DEFAULT_MINUTES = 5

/** Briefs, outlines and drafts of episodes, and who writes them. */
export function writingActions(
  episodes: EpisodeActions,
  ownerId: string,
  pool: WorkPool,
  engine: EngineConfig,
) {
  const keys = secretFile(join(folders(engine).secrets, `writer-${ownerId}.json`), WriterKey)
  const near = engine.writers ?? []
  /** With the key that belongs to its address; keys of an earlier time leave the database. */
  async function settings() {
    const row = await WriterSettings.findOne({ where: { ownerId } })
    if (row?.key) {
      await keys.keep({ address: row.address, key: row.key })
      await row.update({ key: '' })
    }
    const kept = await keys.read()
    return (
      row && {
        address: row.address,
        model: row.model,
        key: kept?.address === row.address ? kept.key : '',
      }
    )
  }
  const writer = async (): Promise<Writer> => {
    const own = await settings()
    return own ? chatWriter(own, {}, near) : builtInWriter(pool)
  }
  async function view(episodeId: string): Promise<Writing> {
    const { document } = await episodes.find(episodeId)
    const row = await WritingRow.findOne({ where: { episodeId, ownerId } })
    return (
      row?.writing ?? {
        brief: {
          ...emptyBrief(document.title, document.wantedMinutes ?? DEFAULT_MINUTES),
          points: pointsOf(document.notes),
        },
        outline: null,
        draft: null,
      }
    )
  }
  async function keep(episodeId: string, writing: Writing): Promise<Writing> {
    await episodes.find(episodeId)
    await WritingRow.upsert({ episodeId, ownerId, writing })
    return writing
  }
  return {
    view,
    keepBrief: async (episodeId: string, brief: Brief, outline: Outline | null) =>
      keep(episodeId, { ...(await view(episodeId)), brief, outline }),
    async outline(episodeId: string, brief: Brief, signal: AbortSignal): Promise<Writing> {
      await keep(episodeId, { ...(await view(episodeId)), brief })
      const outline = await (await writer()).outline(brief, signal)
      return keep(episodeId, { brief, outline, draft: (await view(episodeId)).draft })
    },
    /** A draft that fails leaves the one before it. */
    async draft(
      episodeId: string,
      brief: Brief,
      outline: Outline,
      signal: AbortSignal,
    ): Promise<Writing> {
      const { document } = await episodes.find(episodeId)
      await keep(episodeId, { ...(await view(episodeId)), brief, outline })
      const draft = await (await writer()).draft(brief, outline, document.speed, signal)
      return keep(episodeId, { brief, outline, draft: withStyle(draft, brief) })
    },
    /** The same service, asked what a film shows; null where none is set. */
    async director(): Promise<Director | null> {
      const own = await settings()
      return own && chatDirector(own, {}, near)
    },
    /** The same service, asked for another language; null where none is set. */
    async translator(): Promise<Translator | null> {
      const own = await settings()
      return own && chatTranslator(own, {}, near)
    },
    async writer(): Promise<WriterView> {
      const own = await settings()
      return { service: own && { address: own.address, model: own.model, hasKey: own.key !== '' } }
    },
    /**
     * A key left out stays as it was while the address does: it is never given to another one.
     */
    async setWriter(
      service: { address: string; model: string; key?: string | undefined } | null,
    ): Promise<void> {
      if (!service) {
        await keys.forget()
        return void (await WriterSettings.destroy({ where: { ownerId } }))
      }
      if (!URL.canParse(service.address) || !/^https?:$/.test(new URL(service.address).protocol))
        throw new TidyError('option_invalid', {
          option: 'The address of the writing service',
          value: service.address,
          wanted: 'an address that begins with https://',
        })
      // A service that does not answer today may be set; one in a private network may not.
      await wayTo(service.address, near).catch((cause: unknown) => {
        if (!isFault(cause) || cause.code !== 'writer_unreachable') throw cause
      })
      const known = await settings()
      const sameAddress = known?.address === service.address
      const key = service.key ?? (sameAddress ? known.key : '')
      if (key) await keys.keep({ address: service.address, key })
      else await keys.forget()
      await WriterSettings.upsert({
        ownerId,
        address: service.address,
        model: service.model,
        key: '',
      })
    },
  }
}
export type WritingActions = ReturnType<typeof writingActions>

/** The writer that ships takes its time with long sources: it works in a thread of its own. */
const builtInWriter = (pool: WorkPool): Writer => ({
  outline: (brief, signal) => pool.run('writeOutline', { brief }, signal),
  draft: (brief, outline, speed, signal) =>
    pool.run('writeDraft', { brief, outline, speed }, signal),
})

/** Lines of an idea's notes are what must be in the film. */
const pointsOf = (notes: string) =>
  notes
    .split('\n')
    .map((line) => line.replace(/^[-*•]\s*/, '').trim())
    .filter((line) => line.length > 3 && line.length <= 300 && !/:$/.test(line))
    .slice(0, 12)

function withStyle(draft: Draft, { sample }: Brief): Draft {
  const [written, own] = [
    styleOf(draft.sentences.map(({ text }) => text).join(' ')),
    styleOf(sample),
  ]
  const told = written && own ? departures(written, own) : []
  return { ...draft, limits: [...draft.limits, ...told] }
}
