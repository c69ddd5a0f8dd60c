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

export async function ask<T>(path: string, init: RequestInit = {}): Promise<T> {
  const answer = await fetch(`/api${path}`, {
    ...init,
    headers: { ...(init.body ? { 'content-type': 'application/json' } : {}), ...init.headers },
  })
  if (answer.ok)
    return (answer.status === 204 || answer.status === 202 ? undefined : await answer.json()) as T
  const problem = (await answer.json().catch(() => ({}))) as { code?: string; detail?: string }
  throw new ApiError(
    problem.code ?? 'unexpected',
    problem.detail ?? 'Tidy Reel did not answer as expected. Try again.',
    answer.status,
  )
}

/** A query string of what is given; undefined is left out. */
export const query = (values: Record<string, string | number | undefined>) =>
  new URLSearchParams(
    Object.entries(values).flatMap(([name, value]) =>
      value === undefined || value === '' ? [] : [[name, String(value)]],
    ),
  )

export const post = <T>(path: string, body?: unknown, signal?: AbortSignal) =>
  ask<T>(path, {
    method: 'POST',
    ...(signal ? { signal } : {}),
    ...(body === undefined ? {} : { body: JSON.stringify(body) }),
  })

/** A file on its way to the server, as it is. */
export const bytesOf = (file: Blob): RequestInit => ({
  method: 'POST',
  body: file,
  headers: { 'content-type': 'application/octet-stream' },
})
