import { engineConfig } from '@tidy-reel/engine/config'
import { onStopOrOrphaned } from '@tidy-reel/engine/run/stop-signals'
import { warmUp } from '@tidy-reel/engine/stock/warm-up'
import { hereAndNow } from '@tidy-reel/engine/threads/here-and-now'
import { channelActions } from './actions/channels.ts'
import { copyActions } from './actions/copies.ts'
import { episodeActions } from './actions/episodes.ts'
import { pictureActions } from './actions/pictures.ts'
import { prepare } from './actions/prepare.ts'
import { makeProxies } from './actions/proxies.ts'
import { recordingActions } from './actions/recordings.ts'
import { renderActions } from './actions/renders.ts'
import { serverConfig } from './config.ts'
import { connect, LOCAL_OWNER } from './db/models.ts'
import { COPY, CUTS, PREPARE, PROXIES, RECORDING, RENDER } from './jobs/kinds.ts'
import { openQueue } from './jobs/queue.ts'

/** How often work that nobody does any more is looked for. */
const SWEEP_MS = 4000
/** How often what is past its days in the bin is looked for. */
const EMPTY_BIN_MS = 3_600_000

const { database } = serverConfig()
const engine = engineConfig()
const sequelize = connect(database)
const queue = await openQueue(database)
const episodes = episodeActions(sequelize, channelActions(LOCAL_OWNER), LOCAL_OWNER)
const renders = renderActions(sequelize, queue, engine, episodes, LOCAL_OWNER)

await queue.work(PREPARE, ({ episodeId, first }, signal) =>
  prepare(sequelize, engine, episodes, episodeId, signal, first),
)
await queue.work(PROXIES, ({ episodeId }, signal) =>
  makeProxies(sequelize, engine, episodes, episodeId, signal),
)
const recordings = recordingActions(sequelize, queue, engine, episodes, LOCAL_OWNER)
await queue.work(RECORDING, ({ episodeId, recordingId }, signal) =>
  recordings.listen(episodeId, recordingId, signal),
)
await queue.work(RENDER, ({ renderId }, signal) => renders.run(renderId, signal))
const copies = copyActions(sequelize, queue, engine, LOCAL_OWNER)
await queue.work(COPY, ({ renderId, name }, signal) => copies.run(renderId, name, signal))
const pictures = pictureActions(sequelize, queue, engine, LOCAL_OWNER, hereAndNow)
await queue.work(CUTS, ({ id }, signal) => pictures.cut(id, signal))
const sweep = async () => {
  await renders.sweep()
  await queue.sweep()
}
const emptying = setInterval(
  () =>
    void episodes.emptyBin(renders.folder).catch((error: Error) => console.error(error.message)),
  EMPTY_BIN_MS,
)
const sweeping = setInterval(
  () => void sweep().catch((error: Error) => console.error(error.message)),
  SWEEP_MS,
)
console.log('worker ready')
void warmUp().catch((error: Error) => console.error(error.message))

const stop = async () => {
  clearInterval(sweeping)
  clearInterval(emptying)
  await queue.stop()
  process.exit(0)
}
onStopOrOrphaned(() => void stop())
