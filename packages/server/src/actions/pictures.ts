import { basename } from 'node:path'
import { Readable } from 'node:stream'
import pLimit from 'p-limit'
import type { Sequelize } from 'sequelize'
import type { Command } from '@tidy-reel/core/document/command'
import { REFUSED_EVERYWHERE } from '@tidy-reel/core/document/document'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { passes, type PictureFilter } from '@tidy-reel/core/pictures/filter'
import type { ChosenItem, Item } from '@tidy-reel/core/pictures/item'
import type { Look } from '@tidy-reel/core/pictures/look'
import { LIST_BYTES_LIMIT } from '@tidy-reel/core/pictures/picture-list'
import type { FoundView, NotedView } from '@tidy-reel/core/views/library'
import { type EngineConfig, folders } from '@tidy-reel/engine/config'
import { makerClient } from '@tidy-reel/engine/maker/client'
import type { MakerStyle, PictureWish } from '@tidy-reel/engine/maker/contract'
import { cutOwnFile, ownFacts, takeOwnFile } from '@tidy-reel/engine/own/own-files'
import { metadataBeside, SIDECAR_LIMIT } from '@tidy-reel/engine/own/picture-metadata'
import { STICKER_CREDIT, stickerSvg } from '@tidy-reel/engine/own/stickers'
import { cutoutOf } from '@tidy-reel/engine/render/cutout'
import { proxyOf } from '@tidy-reel/engine/render/proxy'
import { pictureLibrary } from '@tidy-reel/engine/stock/library'
import { lookOfThumbnail, thumbnailOf } from '@tidy-reel/engine/stock/thumbnails'
import { allOf } from '@tidy-reel/engine/storage/limited'
import type { WorkPool } from '@tidy-reel/engine/threads/pool'
import { Candidates } from '../db/models.ts'
import { CUTS } from '../jobs/kinds.ts'
import type { Queue } from '../jobs/queue.ts'
import { libraryActions } from './library.ts'

/**
 * Pictures of one answer, and pages of the providers that are looked through for as many that pass
 * a filter.
 */
const SHOWN = 24
/** Pages that are looked through for one shown page when a filter drops most of them. */
const PAGES_LOOKED = 4
/** Clips cut for a look at the same time: one a core of a small machine. */
const PREVIEWS_AT_ONCE = 2
/** Names that are told of pictures nobody knows. */
const CALLED_SHOWN = 5

/** Pictures on their way into a film or the library: found, brought, cut, made. */
export function pictureActions(
  sequelize: Sequelize,
  queue: Queue,
  engine: EngineConfig,
  ownerId: string,
  pool: Pick<WorkPool, 'run'>,
) {
  const library = libraryActions(sequelize, ownerId)
  const { own, thumbnails, proxies } = folders(engine)
  const previewing = pLimit(PREVIEWS_AT_ONCE)
  const everywhere = pictureLibrary(engine, library.shelf())
  const maker = engine.maker ? makerClient(engine.maker, own) : undefined
  /** What has been seen of pictures, by id. */
  const looksOf = (items: readonly { id: string }[]) =>
    new Map(
      items.flatMap(({ id }): [string, Look][] => {
        const look = lookOfThumbnail(thumbnails, id)
        return look ? [[id, look]] : []
      }),
    )
  const needMaker = () => {
    if (!maker) throw new TidyError('maker_missing')
    return maker
  }
  return {
    /**
     * Pictures of all providers and of the library that have the words and pass the filter, those
     * of a series in turns.
     */
    async find(
      words: string,
      filter: PictureFilter,
      page: number,
      signal?: AbortSignal,
    ): Promise<FoundView> {
      const kind = filter.kind === 'made' ? undefined : filter.kind
      const found = new Map<string, Item>()
      const remarks = new Set<string>()
      const filtered = Object.values<unknown>(filter).some((value) => value !== undefined)
      let at = (page - 1) * (filtered ? PAGES_LOOKED : 1)
      let more = true
      for (
        let looked = 0;
        more && looked < (filtered ? PAGES_LOOKED : 1) && found.size < SHOWN;
        looked++
      ) {
        const { items, faults } = await everywhere.search(
          {
            words,
            page: ++at,
            perPage: SHOWN,
            ...(kind ? { kind } : {}),
            ...(filter.orientation ? { orientation: filter.orientation } : {}),
          },
          signal,
        )
        for (const item of items)
          if (passes(item, filter, lookOfThumbnail(thumbnails, item.id))) found.set(item.id, item)
        for (const { message } of faults) remarks.add(message)
        more = items.length >= SHOWN
      }
      // It knows words by their base forms: a dictionary is loaded with the first search.
      const { inTurns } = await import('@tidy-reel/core/match/in-turns')
      return { items: inTurns([...found.values()]), remarks: [...remarks], more }
    },
    /** What a person chose for a film goes into the library, with all that matching knew of it. */
    async chosen(episodeId: string, command: Command): Promise<void> {
      // What is wanted in no film is learnt for all of them.
      if (
        command.type === 'refusePicture' &&
        (!command.refusal || REFUSED_EVERYWHERE.includes(command.refusal.reason))
      )
        return library.refuse(command.item, command.refusal?.reason ?? null)
      const items = chosenIn(command)
      if (!items.length || !('sceneId' in command)) return
      const offered = await Candidates.findOne({
        where: { ownerId, episodeId, sceneId: command.sceneId },
      })
      const known = new Map(offered?.picks.map(({ item }) => [item.id, item]))
      await library.keep(
        items.map((item) => known.get(item.id) ?? item),
        { looks: looksOf(items), used: true },
      )
    },
    /** A file somebody brought: into the library, and a clip to be looked through for cuts. */
    async take(name: string, bytes: Readable): Promise<Item> {
      const { item, look, fileName, pieces } = await takeOwnFile(own, name, bytes)
      await library.keep([item], { looks: new Map([[item.id, look]]), fileName })
      if (pieces === null) await queue.send(CUTS, { id: item.id }, item.id)
      return item
    },
    /** A drawing of the set that ships, taken like a file somebody brought, with its credit. */
    async takeSticker(name: string): Promise<Item> {
      const svg = await stickerSvg(name)
      if (svg === undefined) throw new TidyError('file_not_found', { name })
      const { item, look } = await takeOwnFile(
        own,
        `${name}.svg`,
        Readable.from([Buffer.from(svg)]),
      )
      const credited = { ...item, ...STICKER_CREDIT }
      await library.keep([credited], {
        looks: new Map([[item.id, look]]),
        fileName: `${name}.svg`,
      })
      return credited
    },
    /** What an XMP sidecar says goes to the pictures it lies beside. */
    async takeSidecar(name: string, bytes: Readable): Promise<{ described: number }> {
      const unusable = (reason: string) =>
        new TidyError('sidecar_unusable', { name: basename(name).slice(0, 80), reason })
      const text = await allOf(bytes, SIDECAR_LIMIT, () =>
        unusable(`it is larger than ${SIDECAR_LIMIT / 1024} KB`),
      )
      const said = await metadataBeside(text)
      if (!said) throw unusable('it is no XMP')
      const ids = await library.called(basename(name).replace(/\.xmp$/i, ''))
      if (!ids.length) throw unusable('no picture of the library is called so')
      const { tags, ...words } = said
      await library.tag(ids, tags, [])
      for (const id of ids) await library.describe(id, words)
      return { described: ids.length }
    },
    /** What a list says of pictures that are in the library. */
    async takeList(name: string, bytes: Readable): Promise<NotedView> {
      const unusable = (reason: string) =>
        new TidyError('picture_list_unreadable', { name: basename(name).slice(0, 80), reason })
      const list = await allOf(bytes, LIST_BYTES_LIMIT, () =>
        unusable(`it is larger than ${LIST_BYTES_LIMIT / 1024 / 1024} MB`),
      )
      const { notes, skipped } = await pool.run('readPictures', {
        text: new TextDecoder().decode(list),
        name: basename(name),
      })
      const unknown = (await library.note(notes)).map((nth) => itemAt(notes, nth))
      return {
        described: notes.length - unknown.length,
        unknown: unknown.length,
        called: unknown.slice(0, CALLED_SHOWN).map(({ file, id }) => file ?? id ?? ''),
        skipped: skipped.slice(0, CALLED_SHOWN),
      }
    },
    /** The pieces of a clip as pictures of their own. */
    async cut(id: string, signal: AbortSignal): Promise<void> {
      const pieces = await cutOwnFile(own, id, signal)
      const facts = await ownFacts(own, id)
      for (const { id: piece } of pieces) await thumbnailOf(thumbnails, everywhere, piece)
      await library.keep(pieces, {
        looks: looksOf(pieces),
        ...(facts ? { fileName: facts.fileName } : {}),
      })
    },
    /**
     * A small copy of a clip that plays where it is offered. Nobody waits for it any more: it is
     * not made.
     */
    preview: (id: string, signal: AbortSignal): Promise<string> =>
      previewing(() => {
        signal.throwIfAborted()
        return proxyOf(proxies, everywhere, { id, title: id, kind: 'clip' }, signal)
      }),
    /** A still as it is laid over another: small, and what is clear of it stays so. */
    cutout: (id: string, signal: AbortSignal): Promise<string> =>
      cutoutOf(proxies, everywhere, id, signal),
    async styles(): Promise<MakerStyle[]> {
      return maker ? maker.styles() : []
    },
    async make(wish: PictureWish, variants: number, signal: AbortSignal): Promise<Item[]> {
      const items = await needMaker().make(wish, variants, signal)
      const looks = new Map(
        (await Promise.all(items.map(({ id }) => ownFacts(own, id)))).flatMap((facts) =>
          facts ? [[facts.item.id, facts.look] as const] : [],
        ),
      )
      await library.keep(items, { looks })
      return items
    },
  }
}
export type PictureActions = ReturnType<typeof pictureActions>

function chosenIn(command: Command): ChosenItem[] {
  switch (command.type) {
    case 'setShot':
    case 'addShot':
      return command.item ? [command.item] : []
    case 'layShots':
      return command.items
    case 'adjustScenes':
      return (command.set.inlays ?? []).map(({ item }) => item)
    case 'adjustShots': {
      const { layout } = command.set
      return layout && layout.kind !== 'print' ? [layout.second] : []
    }
    default:
      return []
  }
}
