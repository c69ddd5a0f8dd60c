import { readFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import Ajv2020 from 'ajv/dist/2020.js'
import { describe, expect, it } from 'vitest'
import { apply, documentFrom } from '@tidy-reel/core/document/apply'
import { Command } from '@tidy-reel/core/document/command'
import type { Document } from '@tidy-reel/core/document/document'
import { documentSchema, withSchema } from './published-schema.ts'

const page = readFileSync(
  fileURLToPath(new URL('../../../docs/formats.md', import.meta.url)),
  'utf8',
)
const published = JSON.parse(
  /<!-- prettier-ignore-start -->\n```json\n([\s\S]*?)\n```/.exec(page)![1]!,
) as object
/** The reference validator ajv, JSON Schema draft 2020-12. */
const valid = new Ajv2020({ strict: false }).compile(published)
const document = apply(
  apply(documentFrom('T', 'The lamp burns. The sea is calm.'), {
    type: 'setShot',
    sceneId: 's1',
    shot: 0,
    item: {
      id: 'a',
      kind: 'clip',
      title: 'A',
      seconds: 3,
      width: 1,
      height: 1,
      source: '',
      licence: '',
      author: '',
    },
  }).document,
  {
    type: 'adjustShots',
    target: 'all',
    shot: 0,
    set: { transition: { kind: 'dissolve', samples: 48_000 }, slip: 100 },
  },
).document

describe('the schema in docs/formats.md', () => {
  it('is that of the code', () => {
    expect(published).toEqual(JSON.parse(JSON.stringify(documentSchema())))
    expect(withSchema(page)).toBe(page)
  })
  it('accepts a document, by the reference validator ajv', () =>
    expect([valid(JSON.parse(JSON.stringify(document))), valid.errors]).toEqual([true, null]))
  it.each<[string, (document: Document) => unknown]>([
    ['another version', (d) => ({ ...d, version: 1 })],
    ['a scene without words', (d) => ({ ...d, scenes: [{ ...d.scenes[0], text: '' }] })],
    ['a speed of 9', (d) => ({ ...d, speed: 9 })],
    ['a transition there is not', (d) => ({ ...d, transition: { kind: 'iris', samples: 1 } })],
    ['no script', ({ script: _, ...d }) => d],
  ])('refuses %s', (_what, change) =>
    expect(valid(JSON.parse(JSON.stringify(change(document))))).toBe(false),
  )
})

describe('the commands in docs/formats.md', () => {
  const written = JSON.parse(/## Commands[\s\S]*?```json\n([\s\S]*?)\n```/.exec(page)![1]!) as {
    type: string
  }[]
  const three = documentFrom('T', 'The lamp burns all night. The sea is calm. It turns.')
  const one = apply(three, { type: 'setShot', sceneId: 's1', shot: 0, item: null }).document
  const two = apply(one, { type: 'addShot', sceneId: 's1', shot: 1, item: null }).document
  it.each(written.map((command) => [command.type, command] as const))(
    '%s can be carried out as it is written there',
    (type, command) => {
      const before = type === 'addShot' ? one : two
      expect(apply(before, Command.parse(command)).document).not.toBe(before)
    },
  )
})
