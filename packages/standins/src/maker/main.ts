import { serve } from '@hono/node-server'
import { makerServer } from './server.ts'

const port = Number(process.env.MAKER_PORT ?? 4312)
const app = makerServer({ files: `${process.env.TIDY_DATA ?? '.data'}/paintings` })
serve({ fetch: app.fetch, port, hostname: '127.0.0.1' }, () =>
  console.log(`picture maker on http://127.0.0.1:${port}`),
)
// Who started it is gone: so is it.
process.once('disconnect', () => process.exit(0))
