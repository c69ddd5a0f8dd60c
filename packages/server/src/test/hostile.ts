/** Requests that nobody means well, made from a seed: the same ones each time. */
import { randomUUID } from 'node:crypto'
import { chance } from '@tidy-reel/core/text/hash'

const HALF_AN_EMOJI = '🌊'.slice(0, 1)

const STRINGS = [
  '',
  ' ',
  'a',
  'x'.repeat(5_000),
  'lamp and water '.repeat(400),
  'A'.repeat(20_000),
  '\u0000',
  `text${HALF_AN_EMOJI}`,
  '👩‍🚀🌊',
  '../../../etc/passwd',
  '..%2f..%2fetc%2fpasswd',
  '%00',
  '/etc/passwd',
  'file:///etc/passwd',
  'http://127.0.0.1:1/',
  'http://[::1]/',
  "'; drop table episodes; --",
  '<script>alert(1)</script>',
  'a\r\nX-Injected: 1',
  '\\r{\\p1}m 0 0',
  '=1+1',
  '$(touch here)',
  '`id`',
  '\ud83d\ud83d',
  'null',
  'own-0123456789abcdef0123456789abcdef',
  '0123456789abcdef0123456789abcdef',
  'constructor',
  '__proto__',
  '{{7*7}}',
  '[pause 9999999s]',
  '\u202e\u200b',
]
const NUMBERS = [0, -1, 1.5, 2 ** 31, 2 ** 53, 1e21, 1e308, -1e308, 5e-324]
const deep = (levels: number): unknown => (levels ? [deep(levels - 1)] : 'deep')
const VALUES: readonly unknown[] = [
  ...STRINGS,
  ...NUMBERS,
  null,
  true,
  [],
  {},
  [null],
  deep(1500),
  { constructor: { prototype: { a: 1 } } },
  Array.from({ length: 3000 }, (_, i) => i),
]
const HEADERS: Record<string, string>[] = [
  {},
  {},
  {},
  { range: 'bytes=0-1' },
  { range: 'bytes=99999999999999999999-' },
  { range: 'bytes=-99999999999999999999' },
  { range: 'bytes=5-2,9-1' },
  { 'content-type': 'text/plain' },
  { 'content-type': 'multipart/form-data; boundary=x' },
  { 'content-type': 'application/json; charset=utf-99' },
  { 'content-length': '5' },
  { 'if-none-match': '"*"' },
  { 'last-event-id': 'x'.repeat(3000) },
]
const QUERY_NAMES = [
  'name',
  'words',
  'page',
  'first',
  'shelf',
  'from',
  'collection',
  'save',
  'kind',
]

/** What a route takes when it is meant well; its leaves are changed one by one. */
const BODIES: readonly unknown[] = [
  { title: 'A film', script: 'The lamp burns. The sea is calm.' },
  { revision: 1, command: { type: 'setTitle', title: 'Another' }, key: 'k' },
  { revision: 1, command: { type: 'setScript', script: 'One. Two.' } },
  { revision: 1, command: { type: 'setCard', card: 'opening', set: { shown: true, text: 'a' } } },
  {
    revision: 1,
    command: {
      type: 'putComment',
      comment: { id: 'c1', on: 'The lamp', text: 'b', by: 'c', done: false },
    },
  },
  { width: 320, height: 180, fps: [30, 1], burnIn: true },
  { name: 'A version' },
  { script: 'The lamp burns.' },
  { word: 'lamp' },
  { address: 'http://127.0.0.1/' },
  { text: 'Hello.', voice: 'flite-slt', speed: 1 },
  { pronunciations: [{ word: 'lamp', say: 'lomp' }] },
  { favourites: ['flite-slt'] },
  { description: 'a lamp', style: 'paper', seed: 1 },
  { ids: ['stock-1'], add: ['sea'], remove: [] },
  { ids: ['stock-1'], name: 'Sea', inside: true },
  { ids: ['stock-1'], removed: true },
  { id: 'harbour', name: 'Harbour' },
  { title: 'An idea', notes: '', subject: 'fog', state: 'todo' },
  { service: null },
  {
    brief: {
      title: 'Light',
      minutes: 5,
      audience: '',
      points: [],
      sample: '',
      sources: [{ id: 's', title: 't', text: 'The lamp burns all night long over the sea.' }],
    },
    outline: [{ title: 'One', minutes: 5, points: [] }],
  },
]

export interface HostileRequest {
  method: string
  path: string
  body?: string
  headers: Record<string, string>
}

/** @param known ids of episodes that there are */
export function hostileRequests(
  routes: readonly { method: string; path: string }[],
  known: readonly string[],
  count: number,
  seed: string,
): HostileRequest[] {
  return Array.from({ length: count }, (_, n) => {
    let drawn = 0
    const share = () => chance(`${seed} ${n} ${drawn++}`)
    const oneOf = <Choice>(choices: readonly Choice[]): Choice =>
      choices[Math.floor(share() * choices.length)]!
    const part = () => (share() < 0.5 ? oneOf([...known, randomUUID()]) : oneOf(STRINGS))
    const { method, path } = oneOf(routes)
    const filled = path.replace(/:\w+/g, () => safePath(part()))
    const query = share() < 0.4 ? `?${oneOf(QUERY_NAMES)}=${safePath(oneOf(STRINGS))}` : ''
    const wantsBody = method !== 'GET'
    const made = oneOf(BODIES)
    const json = JSON.stringify(share() < 0.2 ? made : changedLeaf(made, oneOf(VALUES), share))
    const text = share() < 0.1 ? oneOf(STRINGS) : json.slice(0, share() < 0.1 ? 20 : undefined)
    return {
      method,
      path: `${filled}${query}`,
      headers: oneOf(HEADERS),
      ...(wantsBody ? { body: text } : {}),
    }
  })
}

/** What an address may hold; half an emoji is no address for any client. */
const safePath = (text: string) => encodeURIComponent(text.toWellFormed().slice(0, 2000))

function changedLeaf(value: unknown, leaf: unknown, share: () => number): unknown {
  if (Array.isArray(value)) {
    if (!value.length || share() < 0.2) return leaf
    const at = Math.floor(share() * value.length)
    return value.map((inside, i) =>
      i === at ? changedLeaf(inside, leaf, share) : (inside as unknown),
    )
  }
  if (typeof value !== 'object' || value === null) return leaf
  const names = Object.keys(value)
  const at = names[Math.floor(share() * names.length)]
  return Object.fromEntries(
    Object.entries(value).map(([name, inside]) => [
      name,
      name === at ? changedLeaf(inside, leaf, share) : (inside as unknown),
    ]),
  )
}
