import { serve } from '@hono/node-server'
import { engineConfig } from '@tidy-reel/engine/config'
import { onStopSignal } from '@tidy-reel/engine/run/stop-signals'
import { openApp, webApp } from './app.ts'
import { serverConfig } from './config.ts'

const config = serverConfig()
const app = await openApp(config.database, engineConfig())
const server = serve({ fetch: webApp(app, config.web).fetch, port: config.port, hostname: config.host }, ({ port }) => console.log(`Tidy Reel on http://${config.host}:${port}`))

const stop = async () => {
  server.close()
  await Promise.allSettled([app.queue.stop(), app.hub.close()])
  process.exit(0)
}
onStopSignal(() => void stop())
