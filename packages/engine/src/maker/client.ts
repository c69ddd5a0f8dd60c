import { randomUUID } from 'node:crypto'
import { mkdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { z } from 'zod'
import { Making } from '@tidy-reel/core/document/document'
import { itemAt } from '@tidy-reel/core/faults/certain'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import { Item, orientationOf } from '@tidy-reel/core/pictures/item'
import { PIXELS_LIMIT } from '../own/look.ts'
import { keepOwn, ownFacts } from '../own/own-files.ts'
import { stillTools } from '../run/still-tools.ts'
import { FILE_BYTES_LIMIT, type Patience, providerHttp } from '../stock/providers/provider-http.ts'
import { contentHash } from '../storage/kept-file.ts'
import type { PictureMaker, PictureWish } from './contract.ts'

const Styles = z.object({
  styles: z
    .array(z.object({ id: Making.shape.style, name: z.string().min(1).max(60) }))
    .min(1)
    .max(50),
})
const Paintings = z.object({
  paintings: z
    .array(
      z.object({
        id: z.string().min(1).max(200),
        seed: z.number().int(),
        shows: z.array(z.string().max(200)).max(20).default([]),
      }),
    )
    .min(1)
    .max(8),
})

/**
 * A picture maker behind the HTTP interface that `standins/maker` describes; what it made is kept
 * in the folder of own files.
 */
export function makerClient(
  address: string,
  folder: string,
  patience: Partial<Patience> = {},
): PictureMaker {
  const http = providerHttp(address, { searchMs: 30_000, ...patience })
  const ask = async <T>(
    schema: z.ZodType<T>,
    path: string,
    init: Parameters<typeof http.json>[1],
    signal?: AbortSignal,
  ): Promise<T> => {
    const answer = await http.json(http.url(path), init, signal).catch((cause: unknown) => {
      throw isFault(cause) && cause.code === 'stock_unreachable'
        ? new TidyError('maker_unreachable', { address })
        : cause
    })
    const read = schema.safeParse(answer)
    if (!read.success)
      throw new TidyError('maker_answer_invalid', {
        address,
        reason: 'it is no list of what was made',
      })
    return read.data
  }
  return {
    styles: async (signal) => (await ask(Styles, '/v1/styles', {}, signal)).styles,
    async make(wish, variants, signal) {
      const known = await Promise.all(
        Array.from(
          { length: variants },
          async (_, i) => (await ownFacts(folder, nameOf(address, wish, wish.seed + i)))?.item,
        ),
      )
      if (known.every((item) => item !== undefined)) return known
      const { paintings } = await ask(
        Paintings,
        '/v1/paintings',
        {
          method: 'POST',
          body: JSON.stringify({ ...wish, variants }),
          headers: { 'content-type': 'application/json' },
        },
        signal,
      )
      return Promise.all(
        paintings
          .slice(0, variants)
          .map(({ id, seed, shows }) => fetched(wish, id, seed, shows, signal)),
      )
    },
  }

  async function fetched(
    wish: PictureWish,
    id: string,
    seed: number,
    shows: readonly string[],
    signal?: AbortSignal,
  ): Promise<Item> {
    const name = nameOf(address, wish, seed)
    const before = await ownFacts(folder, name)
    if (before) return before.item
    const half = join(folder, `${randomUUID()}.part`)
    await mkdir(folder, { recursive: true })
    try {
      await http.file(
        http.url(`/v1/paintings/${encodeURIComponent(id)}/file`),
        wish.description,
        FILE_BYTES_LIMIT,
        half,
        signal,
      )
      const sharp = await stillTools()
      const { width, height } = await sharp(half, { limitInputPixels: PIXELS_LIMIT })
        .metadata()
        .catch(() => {
          throw new TidyError('maker_answer_invalid', { address, reason: 'its file is no picture' })
        })
      const item = Item.parse({
        id: name,
        kind: 'photo',
        title: titleOf(wish.description),
        description: wish.description,
        tags: [...shows],
        width,
        height,
        seconds: null,
        orientation: orientationOf({ width, height }),
        source: 'Picture maker',
        licence: 'Made',
        author: '',
      })
      return (await keepOwn(folder, half, { item, fileName: '', pieces: [] })).item
    } finally {
      await rm(half, { force: true })
    }
  }
}

const nameOf = (address: string, wish: PictureWish, seed: number) =>
  `made-${contentHash({ address, ...wish, seed })}`

/** The first sentence of a description says what is to be seen. */
const titleOf = (description: string) =>
  itemAt(description.split(/(?<=[.!?])\s/), 0)
    .replace(/[.!?]+$/, '')
    .slice(0, 120)
