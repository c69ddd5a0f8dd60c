const text = { type: 'string' } as const
const parameter = (name: string, schema: object, where = 'query') => ({
  name,
  in: where,
  required: where === 'path',
  schema,
})

/** The library's interface, so that a real one can take its place. */
export const openapi = {
  openapi: '3.1.0',
  info: {
    title: 'Stock library stand-in',
    version: '1',
    description: 'Searches clips and photographs and serves their files.',
  },
  paths: {
    '/v1/items': {
      get: {
        summary: 'Search; without words, everything in a fixed order',
        parameters: [
          parameter('q', text),
          parameter('kind', { enum: ['clip', 'photo'] }),
          parameter('orientation', { enum: ['landscape', 'portrait', 'square'] }),
          parameter('page', { type: 'integer', minimum: 1 }),
          parameter('per_page', { type: 'integer', minimum: 1, maximum: 100 }),
        ],
        responses: { 200: { description: '{ total, page, items }' } },
      },
    },
    '/v1/items/{id}': {
      get: {
        parameters: [parameter('id', text, 'path')],
        responses: { 200: { description: 'One item' }, 404: { description: 'No such item' } },
      },
    },
    '/v1/items/{id}/thumbnail': {
      get: {
        parameters: [parameter('id', text, 'path')],
        responses: { 200: { description: 'JPEG' } },
      },
    },
    '/v1/items/{id}/file': {
      get: {
        parameters: [
          parameter('id', text, 'path'),
          parameter('height', { enum: [1080, 720, 480, 360] }),
        ],
        responses: { 200: { description: 'MP4 or JPEG' } },
      },
    },
  },
} as const
