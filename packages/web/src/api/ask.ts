import type { Answers } from '@tidy-reel/core/views/answers'

/** An answer that says no, with its code and its sentence. */
export class ApiError extends Error {
  constructor(
    readonly code: string,
    message: string,
    readonly status: number,
  ) {
    super(message)
  }
}

/** No answer at all: the server is away, or the way to it. */
export class ServerAway extends Error {
  constructor() {
    super('Tidy Reel does not answer. See that it is still running, then try again.')
  }
}

type Values = Record<string, string | number | undefined>

/** The parts of a route's path that stand for something, as in `/episodes/:id`. */
type Named<Path> = Path extends `${string}:${infer Name}/${infer Rest}`
  ? Name | Named<`/${Rest}`>
  : Path extends `${string}:${infer Name}`
    ? Name
    : never

interface Asked {
  /** Undefined and empty values are left out. */
  query?: Values
  json?: unknown
  /** A file on its way to the server, as it is. */
  file?: Blob
  /** Media type of the file; else the bytes speak for themselves. */
  type?: string
  signal?: AbortSignal | undefined
}

type Options<Route> =
  Named<Route> extends never
    ? [asked?: Asked]
    : [asked: Asked & { path: Record<Named<Route>, string> }]

/**
 * Asks the server by one of the names of `Answers`.
 *
 * @returns what the route answers; null where there is nothing to tell (yet)
 * @throws ApiError when the server says no, ServerAway when it says nothing
 */
export async function ask<Route extends keyof Answers>(
  route: Route,
  ...[asked = {}]: Options<Route>
): Promise<Answers[Route]> {
  const [method = 'GET', path = ''] = route.split(' ')
  const address = addressOf(path, 'path' in asked ? asked.path : {}, asked.query)
  const answer = await fetch(address, {
    method,
    ...bodyOf(asked),
    ...(asked.signal ? { signal: asked.signal } : {}),
  }).catch((cause: unknown) => {
    throw asked.signal?.aborted ? cause : new ServerAway()
  })
  if (answer.status === 204 || answer.status === 202) return null as Answers[Route]
  if (answer.ok) return (await answer.json()) as Answers[Route]
  const problem = (await answer.json().catch(() => ({}))) as { code?: string; detail?: string }
  throw new ApiError(
    problem.code ?? 'unexpected',
    problem.detail ?? 'Tidy Reel did not answer as expected. Try again.',
    answer.status,
  )
}

function addressOf(path: string, named: Values, query: Values = {}): string {
  const filled = path.replace(/:(\w+)/g, (_all, name: string) =>
    encodeURIComponent(String(named[name])),
  )
  const search = new URLSearchParams(
    Object.entries(query).flatMap(([name, value]) =>
      value === undefined || value === '' ? [] : [[name, String(value)]],
    ),
  ).toString()
  return `/api${filled}${search ? `?${search}` : ''}`
}

function bodyOf({ json, file, type }: Asked): Pick<RequestInit, 'body' | 'headers'> {
  if (file) return { body: file, headers: { 'content-type': type ?? 'application/octet-stream' } }
  if (json === undefined) return {}
  return { body: JSON.stringify(json), headers: { 'content-type': 'application/json' } }
}
