import { serve } from '@hono/node-server'
import { statisticsServer } from './server.ts'

const port = Number(process.env.STATISTICS_PORT ?? 4320)
serve({ fetch: statisticsServer().fetch, port, hostname: '127.0.0.1' }, (place) =>
  console.log(`channel statistics on http://127.0.0.1:${place.port}`),
)
// Who started it is gone: so is it.
process.once('disconnect', () => process.exit(0))
