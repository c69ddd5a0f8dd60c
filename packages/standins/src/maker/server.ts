import { createHash } from 'node:crypto'
import { readFile } from 'node:fs/promises'
import { Hono } from 'hono'
import type { Entry } from '../stock/catalogue.ts'
import { Files } from '../stock/files.ts'
import { type Style, STYLES } from '../stock/paint/styles.ts'
import { compose } from './composition.ts'
import { openapi } from './openapi.ts'

const NAMES: Record<Style, string> = {
  paper: 'Cut paper',
  engraving: 'Engraving',
  linocut: 'Linocut',
  watercolour: 'Watercolour',
  blueprint: 'Blueprint',
}
const LONGEST = 1000
/** Paintings that can still be fetched. */
const REMEMBERED = 2000
const LINES = 1080

export function makerServer({ files: folder }: { files: string }): Hono {
  const files = new Files(folder)
  const painted = new Map<string, Entry>()
  const app = new Hono()
  app.get('/openapi.json', (c) => c.json(openapi))
  app.get('/v1/styles', (c) => c.json({ styles: STYLES.map((id) => ({ id, name: NAMES[id] })) }))
  app.post('/v1/paintings', async (c) => {
    const wish = (await c.req.json().catch(() => undefined)) as
      | {
          description?: unknown
          style?: unknown
          without?: unknown
          shape?: unknown
          seed?: unknown
          variants?: unknown
        }
      | undefined
    const description = typeof wish?.description === 'string' ? wish.description.trim() : ''
    const style = STYLES.find((each) => each === wish?.style)
    if (!description || description.length > LONGEST || !style)
      return c.json(
        { problem: `a wish has a description of at most ${LONGEST} letters and a style` },
        422,
      )
    const without = Array.isArray(wish!.without)
      ? wish!.without.filter((word): word is string => typeof word === 'string').slice(0, 30)
      : []
    const variants = Number.isInteger(wish!.variants)
      ? Math.min(4, Math.max(1, wish!.variants as number))
      : 1
    const first = Number.isInteger(wish!.seed) ? (wish!.seed as number) : 1
    const paintings = Array.from({ length: variants }, (_, i) => {
      const seed = first + i
      const upright = wish!.shape === 'portrait'
      const { recipe, shows } = compose({ description, style, without, upright, seed })
      const id = createHash('sha256').update(JSON.stringify(recipe)).digest('hex').slice(0, 24)
      const [width, height] = upright ? [1080, 1920] : [1920, 1080]
      painted.delete(id)
      painted.set(id, {
        item: {
          id,
          kind: 'photo',
          title: description,
          description: '',
          tags: [],
          width,
          height,
          seconds: null,
          orientation: upright ? 'portrait' : 'landscape',
          source: '',
          licence: '',
          author: '',
          link: '',
        },
        made: { recipe },
      })
      if (painted.size > REMEMBERED) painted.delete(painted.keys().next().value!)
      return { id, seed, width, height, shows }
    })
    return c.json({ paintings }, 201)
  })
  app.get('/v1/paintings/:id/file', async (c) => {
    const entry = painted.get(c.req.param('id'))
    if (!entry) return c.json({ problem: 'no such painting' }, 404)
    return c.body(new Uint8Array(await readFile(await files.full(entry, LINES))), 200, {
      'content-type': 'image/jpeg',
    })
  })
  return app
}
