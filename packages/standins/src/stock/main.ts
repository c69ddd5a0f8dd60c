import { serve } from '@hono/node-server'
import { stockServer } from './server.ts'

const port = Number(process.env.STOCK_PORT ?? 4310)
const data = process.env.TIDY_DATA ?? '.data'
const app = stockServer({ media: process.env.TIDY_MEDIA ?? '.data/media', files: `${data}/stock` })
serve({ fetch: app.fetch, port, hostname: '127.0.0.1' }, () =>
  console.log(`stock library on http://127.0.0.1:${port}`),
)
// Who started it is gone: so is it.
process.once('disconnect', () => process.exit(0))
