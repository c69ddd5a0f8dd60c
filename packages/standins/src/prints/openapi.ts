const text = { type: 'string' } as const
const parameter = (name: string, schema: object, where = 'query') => ({
  name,
  in: where,
  required: where === 'path',
  schema,
})

/** The archive's interface: another than the stock library's in every way a client can notice. */
export const openapi = {
  openapi: '3.1.0',
  info: {
    title: 'Prints archive stand-in',
    version: '1',
    description:
      'Lists records by pages that follow one another, with rights as addresses, lengths as ISO 8601 and files under links. Asked too quickly, it answers 429 with Retry-After.',
  },
  paths: {
    '/api/records': {
      post: {
        summary: 'Records with any of the words; `after` is what the page before gave as `next`',
        requestBody: {
          content: {
            'application/json': {
              schema: {
                type: 'object',
                properties: {
                  any: { type: 'array', items: text },
                  medium: { enum: ['print', 'film'] },
                  limit: { type: 'integer', minimum: 1, maximum: 50 },
                  after: text,
                },
              },
            },
          },
        },
        responses: {
          200: { description: '{ records, next }' },
          400: { description: 'Not a search' },
          429: { description: 'Too quick; see Retry-After' },
        },
      },
    },
    '/api/records/{identifier}': {
      get: {
        parameters: [parameter('identifier', text, 'path')],
        responses: { 200: { description: 'One record' }, 404: { description: 'No such record' } },
      },
    },
    '/scans/{identifier}/{lines}': {
      get: {
        parameters: [
          parameter('identifier', text, 'path'),
          parameter('lines', { enum: [1080, 480, 270] }, 'path'),
        ],
        responses: { 200: { description: 'MP4 or JPEG' } },
      },
    },
  },
} as const
