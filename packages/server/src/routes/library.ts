import { Hono } from 'hono'
import { z } from 'zod'
import { Making, REFUSALS } from '@tidy-reel/core/document/document'
import { PictureFilter } from '@tidy-reel/core/pictures/filter'
import { Item } from '@tidy-reel/core/pictures/item'
import { pictureList } from '@tidy-reel/core/pictures/picture-list'
import { defined } from '@tidy-reel/core/text/defined'
import { SHELVES } from '@tidy-reel/core/views/library'
import type { Services } from '../services.ts'
import { bodyOf } from './body.ts'
import { valid } from './valid.ts'

const Id = z.object({ id: z.string().regex(/^[\w.-]{1,200}$/) })
const Ids = z.array(Id.shape.id).min(1).max(5000)
const Tag = z.string().trim().min(1).max(80)
const Name = z.string().trim().min(1).max(120)
const FileName = z.object({ name: z.string().trim().min(1).max(1000) })
const words = z.string().max(300).default('')
const Search = PictureFilter.extend({
  words,
  page: z.coerce.number().int().min(1).max(1000).default(1),
})
const Shelved = PictureFilter.extend({
  words,
  shelf: z.enum(SHELVES).default('all'),
  collection: Name.optional(),
  from: z.coerce.number().int().min(0).max(10_000_000).default(0),
})
const Wish = z.object({
  description: z.string().trim().min(1).max(1000),
  style: Making.shape.style,
  without: z.array(z.string().trim().min(1).max(80)).max(30).default([]),
  shape: z.enum(['landscape', 'portrait']).default('landscape'),
  seed: z
    .number()
    .int()
    .min(0)
    .max(2 ** 31),
  variants: z.number().int().min(1).max(4).default(4),
})
/** A library is counted so far; beyond it, "more than". */
const COUNTED = 200_000

export function libraryRoutes({ library, pictures }: Services) {
  return new Hono()
    .get('/pictures', valid('query', Search), async (c) => {
      const { words: asked, page, ...filter } = c.req.valid('query')
      return c.json(await pictures.find(asked, filter, page, c.req.raw.signal))
    })
    .get('/pictures/styles', async (c) => c.json({ styles: await pictures.styles() }))
    .post('/pictures/made', valid('json', Wish), async (c) => {
      const { variants, ...wish } = c.req.valid('json')
      return c.json({ items: await pictures.make(wish, variants, c.req.raw.signal) }, 201)
    })
    .post('/own', valid('query', FileName), async (c) =>
      c.json(await pictures.take(c.req.valid('query').name, bodyOf(c.req.raw)), 201),
    )
    .post('/own/sidecar', valid('query', FileName), async (c) =>
      c.json(await pictures.takeSidecar(c.req.valid('query').name, bodyOf(c.req.raw))),
    )
    .post('/own/list', valid('query', FileName), async (c) =>
      c.json(await pictures.takeList(c.req.valid('query').name, bodyOf(c.req.raw))),
    )
    .get('/library/list.csv', async (c) =>
      c.body(pictureList(await library.listed()), 200, {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': 'attachment; filename="library.csv"',
      }),
    )
    .get('/library', valid('query', Shelved), async (c) => {
      const { words: asked, shelf, collection, from, ...filter } = c.req.valid('query')
      return c.json(await library.search({ words: asked, shelf, collection, filter, from }))
    })
    .get('/library/count', valid('query', Shelved), async (c) => {
      const { words: asked, shelf, collection, from: _from, ...filter } = c.req.valid('query')
      return c.json({
        count: await library.count({ words: asked, shelf, collection, filter }, COUNTED),
      })
    })
    .get('/library/collections', async (c) => c.json({ collections: await library.collections() }))
    .post(
      '/library/tags',
      valid(
        'json',
        z.object({
          ids: Ids,
          add: z.array(Tag).max(100).default([]),
          remove: z.array(Tag).max(100).default([]),
        }),
      ),
      async (c) => {
        const { ids, add, remove } = c.req.valid('json')
        await library.tag(ids, add, remove)
        return c.body(null, 204)
      },
    )
    .post(
      '/library/collect',
      valid('json', z.object({ ids: Ids, name: Name, inside: z.boolean() })),
      async (c) => {
        const { ids, name, inside } = c.req.valid('json')
        await library.collect(ids, name, inside)
        return c.body(null, 204)
      },
    )
    .post(
      '/library/remove',
      valid('json', z.object({ ids: Ids, removed: z.boolean() })),
      async (c) => {
        const { ids, removed } = c.req.valid('json')
        await library.remove(ids, removed)
        return c.body(null, 204)
      },
    )
    .put(
      '/library/favourite',
      valid('json', z.object({ item: Item, favourite: z.boolean() })),
      async (c) => {
        const { item, favourite } = c.req.valid('json')
        await library.setFavourite(item, favourite)
        return c.body(null, 204)
      },
    )
    .put(
      '/library/refused',
      valid('json', z.object({ item: Item, reason: z.enum(REFUSALS).nullable() })),
      async (c) => {
        const { item, reason } = c.req.valid('json')
        await library.refuse(item, reason)
        return c.body(null, 204)
      },
    )
    .patch(
      '/library/:id',
      valid('param', Id),
      valid(
        'json',
        z
          .object({
            title: Item.shape.title.min(1),
            description: z.string().max(5000),
            author: z.string().max(500),
            licence: z.string().max(500),
            people: z.boolean(),
          })
          .partial(),
      ),
      async (c) =>
        c.json(await library.describe(c.req.valid('param').id, defined(c.req.valid('json')))),
    )
    .get('/library/:id/uses', valid('param', Id), async (c) =>
      c.json({ uses: await library.uses(c.req.valid('param').id) }),
    )
    .get('/library/:id/twins', valid('param', Id), async (c) =>
      c.json({ pictures: await library.twins(c.req.valid('param').id) }),
    )
}
