import { STYLES } from '../stock/paint/styles.ts'

const text = { type: 'string' } as const

/** The picture maker's interface, so that a real one can take its place. */
export const openapi = {
  openapi: '3.1.0',
  info: {
    title: 'Picture maker stand-in',
    version: '1',
    description:
      'Paints pictures of described things. The same wish with the same seed is the same picture.',
  },
  paths: {
    '/v1/styles': {
      get: {
        summary: 'Styles there are',
        responses: { 200: { description: '{ styles: [{ id, name }] }' } },
      },
    },
    '/v1/paintings': {
      post: {
        requestBody: {
          content: {
            'application/json': {
              schema: {
                type: 'object',
                required: ['description', 'style'],
                properties: {
                  description: { ...text, maxLength: 1000 },
                  style: { enum: STYLES },
                  without: { type: 'array', items: text, maxItems: 30 },
                  shape: { enum: ['landscape', 'portrait'] },
                  seed: { type: 'integer' },
                  variants: { type: 'integer', minimum: 1, maximum: 4 },
                },
              },
            },
          },
        },
        responses: {
          201: { description: '{ paintings: [{ id, seed, width, height, shows }] }' },
          422: { description: 'Not a wish' },
        },
      },
    },
    '/v1/paintings/{id}/file': {
      get: {
        parameters: [{ name: 'id', in: 'path', required: true, schema: text }],
        responses: { 200: { description: 'JPEG' }, 404: { description: 'No such painting' } },
      },
    },
  },
} as const
