import { serve } from '@hono/node-server'
import { printsServer } from './server.ts'

const port = Number(process.env.PRINTS_PORT ?? 4311)
const app = printsServer({ files: `${process.env.TIDY_DATA ?? '.data'}/prints` })
serve({ fetch: app.fetch, port, hostname: '127.0.0.1' }, () =>
  console.log(`prints archive on http://127.0.0.1:${port}`),
)
// Who started it is gone: so is it.
process.once('disconnect', () => process.exit(0))
