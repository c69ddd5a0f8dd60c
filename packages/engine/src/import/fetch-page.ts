import { request } from 'undici'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import { pattern } from '@tidy-reel/core/text/pattern'
import { allOf } from '../storage/limited.ts'
import type { WorkPool } from '../threads/pool.ts'
import type { ImportedScript } from './imported-script.ts'
import { INTERNET, publicAgent, type Reach } from './public-address.ts'
import { decoded } from './text-encoding.ts'

/** Limits of a page that is read from an address: more is no page of words. */
const REDIRECTS_LIMIT = 5
const PAGE_BYTES_LIMIT = 8 * 1024 * 1024
const TIMEOUT_MS = 15_000
const READABLE = pattern(
  'i',
  String.raw`^(?:text/(?:html|plain|markdown|csv|vtt)|application/(?:xhtml\+xml|pdf|`,
  String.raw`vnd\.openxmlformats|vnd\.oasis))`,
)

/**
 * The main text of a public page as a script.
 *
 * Every host on the way must be public. What is there is read in a thread of its own.
 *
 * @throws TidyError `link_refused` for what is not fetched at all, `link_unreachable` for what does
 *   not answer properly
 */
export async function fetchPage(
  address: string,
  signal: AbortSignal,
  pool: Pick<WorkPool, 'run'>,
  reach: Reach = INTERNET,
): Promise<ImportedScript> {
  const limit = AbortSignal.any([signal, AbortSignal.timeout(TIMEOUT_MS)])
  let url = urlOf(address)
  for (let hops = 0; hops <= REDIRECTS_LIMIT; hops++) {
    const answer = await ask(url, limit, reach).catch((cause: unknown) => {
      if (isFault(cause)) throw cause
      if (signal.aborted) throw new TidyError('cancelled')
      throw new TidyError('link_unreachable', {
        address,
        reason: limit.aborted
          ? `it does not answer within ${TIMEOUT_MS / 1000} seconds`
          : 'nothing answers there',
      })
    })
    if (!answer.moved) return scriptOf(answer, url, pool)
    url = urlOf(new URL(answer.moved, url).href)
  }
  throw new TidyError('link_unreachable', {
    address,
    reason: 'it leads from one address to the next without an end',
  })
}

function urlOf(address: string): URL {
  const url = URL.canParse(address) ? new URL(address) : undefined
  if (!url)
    throw new TidyError('link_refused', {
      address,
      reason: 'it is no address. It should begin with https://',
    })
  if (url.protocol !== 'https:' && url.protocol !== 'http:')
    throw new TidyError('link_refused', {
      address,
      reason: 'only pages of the web (http, https) are',
    })
  if (url.username || url.password)
    throw new TidyError('link_refused', {
      address: url.host,
      reason: 'it carries a name or a password',
    })
  return url
}

interface Answer {
  moved?: string
  type: string
  body: Buffer
}

async function ask(url: URL, signal: AbortSignal, reach: Reach): Promise<Answer> {
  const agent = await publicAgent(url, reach).catch(() => {
    throw new TidyError('link_unreachable', {
      address: url.href,
      reason: `there is no "${url.hostname.replace(/^\[|\]$/g, '')}"`,
    })
  })
  if (!agent)
    throw new TidyError('link_refused', {
      address: url.href,
      reason: 'it leads into a private network; only public pages are',
    })
  try {
    const answer = await request(url, {
      dispatcher: agent,
      signal,
      headers: {
        accept: 'text/html,application/xhtml+xml,text/plain;q=0.9,*/*;q=0.5',
        'user-agent': 'TidyReel (one page, asked for by a person)',
      },
    })
    const moved =
      answer.statusCode >= 300 && answer.statusCode < 400
        ? header(answer.headers.location)
        : undefined
    if (moved) {
      answer.body.on('error', () => undefined).destroy()
      return { moved, type: '', body: Buffer.alloc(0) }
    }
    if (answer.statusCode >= 400)
      throw new TidyError('link_unreachable', {
        address: url.href,
        reason: `it answers with error ${answer.statusCode}`,
      })
    return {
      type: header(answer.headers['content-type']) ?? '',
      body: await allOf(answer.body, PAGE_BYTES_LIMIT, () => tooLarge(url)),
    }
  } finally {
    await agent.destroy()
  }
}

const header = (value: string | string[] | undefined) => (Array.isArray(value) ? value[0] : value)

const tooLarge = (url: URL) =>
  new TidyError('link_unreachable', {
    address: url.href,
    reason: `it is larger than ${PAGE_BYTES_LIMIT / 1024 / 1024} MB`,
  })

async function scriptOf(
  { type, body }: Answer,
  url: URL,
  pool: Pick<WorkPool, 'run'>,
): Promise<ImportedScript> {
  if (type && !READABLE.test(type))
    throw new TidyError('link_unreachable', {
      address: url.href,
      reason: `what is there is no text (${type.split(';')[0]})`,
    })
  const name = url.pathname.split('/').filter(Boolean).at(-1) ?? url.hostname
  const made =
    /html/i.test(type) || !type
      ? await pool.run('readPage', { html: decoded(body).text, name: url.hostname })
      : await pool.run('importFile', { bytes: body, name })
  return { ...made, left: [...made.left, `From ${url.origin}${url.pathname}.`] }
}
