import { Hono } from 'hono'
import { statisticsChannels } from './channels.ts'

const parameter = (name: string, schema: object, where = 'query') => ({
  name,
  in: where,
  required: where === 'path',
  schema,
})
const openapi = {
  openapi: '3.1.0',
  info: {
    title: 'Channel statistics stand-in',
    version: '1',
    description: 'Films of invented channels with their views.',
  },
  paths: {
    '/v1/channels': {
      get: {
        summary: 'The channels there are',
        responses: { 200: { description: '{ channels: [{ id, name, films }] }' } },
      },
    },
    '/v1/channels/{id}/films': {
      get: {
        summary: 'Films of a channel, newest first',
        parameters: [
          parameter('id', { type: 'string' }, 'path'),
          parameter('page', { type: 'integer', minimum: 1 }),
          parameter('per_page', { type: 'integer', minimum: 1, maximum: 100 }),
        ],
        responses: {
          200: {
            description: '{ total, page, films: [{ id, title, published, views, seconds }] }',
          },
          404: { description: 'No such channel' },
        },
      },
    },
  },
} as const

/** @param now tells the day whose figures are given */
export function statisticsServer(now: () => Date = () => new Date()): Hono {
  const app = new Hono()
  app.get('/openapi.json', (c) => c.json(openapi))
  app.get('/v1/channels', (c) =>
    c.json({
      channels: statisticsChannels(now()).map(({ id, name, films }) => ({
        id,
        name,
        films: films.length,
      })),
    }),
  )
  app.get('/v1/channels/:id/films', (c) => {
    const channel = statisticsChannels(now()).find(({ id }) => id === c.req.param('id'))
    if (!channel) return c.json({ error: 'no such channel' }, 404)
    const page = Math.max(1, Number(c.req.query('page')) || 1)
    const perPage = Math.min(100, Math.max(1, Number(c.req.query('per_page')) || 50))
    return c.json({
      total: channel.films.length,
      page,
      films: channel.films.slice((page - 1) * perPage, page * perPage),
    })
  })
  return app
}
