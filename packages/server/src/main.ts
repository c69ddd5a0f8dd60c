import { serve } from '@hono/node-server'
import { engineConfig } from '@tidy-reel/engine/config'
import { onStopOrOrphaned } from '@tidy-reel/engine/run/stop-signals'
import { webApp } from './app.ts'
import { serverConfig } from './config.ts'
import { openServices } from './services.ts'

const KEEP_ALIVE_MS = 75_000

const config = serverConfig()
const app = await openServices(config.database, engineConfig())
const server = serve(
  { fetch: webApp(app, config.web, config.names).fetch, port: config.port, hostname: config.host },
  ({ port }) => console.log(`Tidy Reel on http://${config.host}:${port}`),
)

// A client that sends again on a connection it kept must not meet one that is just being closed.
if ('keepAliveTimeout' in server) server.keepAliveTimeout = KEEP_ALIVE_MS

const stop = async () => {
  server.close()
  await app.close()
  process.exit(0)
}
onStopOrOrphaned(() => void stop())
