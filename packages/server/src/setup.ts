/**
 * Migrates the database and, when it is new, fills it with the demo channel: `setup.ts [--demo]`.
 */
import { readFile } from 'node:fs/promises'
import { fileURLToPath } from 'node:url'
import { engineConfig } from '@tidy-reel/engine/config'
import { statisticsClient } from '@tidy-reel/engine/statistics/client'
import { hereAndNow } from '@tidy-reel/engine/threads/here-and-now'
import { channelActions } from './actions/channels.ts'
import { episodeActions } from './actions/episodes.ts'
import { prepare } from './actions/prepare.ts'
import { renderActions } from './actions/renders.ts'
import { topicActions } from './actions/topics.ts'
import { serverConfig } from './config.ts'
import { migrate } from './db/migrate.ts'
import { Channel, connect, LOCAL_OWNER } from './db/models.ts'
import { PROXIES } from './jobs/kinds.ts'
import { openQueue } from './jobs/queue.ts'

const DEMO = fileURLToPath(new URL('../../../demo/', import.meta.url))
const CHANNEL = {
  id: '00000000-0000-4000-8000-0000000000c1',
  ownerId: LOCAL_OWNER,
  name: 'Harbour Light',
}

const { database } = serverConfig()
const sequelize = connect(database)
await migrate(sequelize)
if (process.argv.includes('--demo') && (await Channel.count()) === 0) {
  const engine = engineConfig()
  await Channel.create(CHANNEL)
  const episodes = episodeActions(sequelize, channelActions(LOCAL_OWNER), LOCAL_OWNER)
  const statistics = statisticsClient(engine.statistics)
  const topics = topicActions(sequelize, statistics, episodes, LOCAL_OWNER, hereAndNow)
  for (const channel of await statistics.channels())
    await topics.follow(channel, new AbortController().signal)
  await topics.addIdea({
    title: 'Why wrecks last longer in cold water',
    notes: 'Begin with the biscuit that could still be eaten.',
    subject: 'wreck',
    state: 'todo',
  })
  await topics.addIdea({
    title: 'The bell that rings by itself',
    notes: '',
    subject: 'fog',
    state: 'todo',
  })
  const script = (name: string) => readFile(`${DEMO}${name}.txt`, 'utf8')
  await episodes.create('What a canal lock does', await script('canal-lock'))
  const tides = await episodes.create('Why tides come twice a day', await script('tides'))
  const light = await episodes.create(
    'How a lighthouse throws its light',
    await script('lighthouse'),
  )
  const signal = new AbortController().signal
  for (const { id } of [tides, light]) await prepare(sequelize, engine, episodes, id, signal)
  const queue = await openQueue(database)
  // Whoever looks round finds the pictures on their way, whether an episode was opened or not.
  for (const { id } of [light, tides]) await queue.send(PROXIES, { episodeId: id }, id)
  await renderActions(sequelize, queue, engine, episodes, LOCAL_OWNER).start(light.id, {
    width: 640,
    height: 360,
    fps: [30, 1],
    burnIn: true,
  })
  await queue.stop()
}
await sequelize.close()
