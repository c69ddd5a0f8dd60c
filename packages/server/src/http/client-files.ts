import { serveStatic } from '@hono/node-server/serve-static'
import { Hono, type MiddlewareHandler } from 'hono'
import { etag } from 'hono/etag'

/** Named by what is in them: a browser that has one never asks again. */
const FOR_EVER = 'public, max-age=31536000, immutable'
/** Asked about each time, and nearly always told that it is the same. */
const ASK = 'no-cache'
/** The last part of a path has a dot: a file is meant, not a room. */
const IS_FILE = /\.[^/]+$/

/**
 * The built client: its files, packed when they were built, and its page for every address that is
 * a room's. A file that is not there is not there.
 *
 * @param web folder of the built client
 */
export function clientFiles(web: string): Hono {
  const files = serveStatic({ root: web, rewriteRequestPath: (path) => path, precompressed: true })
  const page = serveStatic({ root: web, path: 'index.html', precompressed: true })
  return new Hono()
    .get('/assets/*', cached(FOR_EVER), files)
    .use(cached(ASK), etag())
    .get('/*', (c, next) => (IS_FILE.test(c.req.path) ? files(c, next) : page(c, next)))
    .get('/*', (c) => c.text('There is no such file.', 404))
}

const cached =
  (how: string): MiddlewareHandler =>
  async (c, next) => {
    await next()
    if (c.res.ok) c.res.headers.set('cache-control', how)
  }
