import { createReadStream } from 'node:fs'
import { stat } from 'node:fs/promises'
import { Readable } from 'node:stream'
import { TidyError } from '@tidy-reel/core/faults/fault'

/** A file as an answer, in part when the browser asks for a part (RFC 9110, one range). */
export async function sendFile(
  file: string,
  type: string,
  options: { range?: string | undefined; saveAs?: string | undefined } = {},
): Promise<Response> {
  const facts = await stat(file).catch(() => undefined)
  if (!facts?.isFile()) throw new TidyError('file_not_ready')
  const asked = /^bytes=(\d*)-(\d*)$/.exec(options.range ?? '')
  // `bytes=-500` asks for the last 500 (RFC 9110, 14.1.2).
  const fromEnd = Math.max(0, facts.size - Number(asked?.[2] || 0))
  const from = asked?.[1] ? Number(asked[1]) : fromEnd
  const start = asked ? from : 0
  const end = asked?.[1] && asked[2] ? Math.min(Number(asked[2]), facts.size - 1) : facts.size - 1
  if (start > end)
    return new Response(null, {
      status: 416,
      headers: { 'content-range': `bytes */${facts.size}` },
    })
  return new Response(Readable.toWeb(createReadStream(file, { start, end })) as ReadableStream, {
    status: asked ? 206 : 200,
    headers: {
      'content-type': type,
      'content-length': String(end - start + 1),
      'accept-ranges': 'bytes',
      'cache-control': 'private, max-age=3600',
      ...(asked ? { 'content-range': `bytes ${start}-${end}/${facts.size}` } : {}),
      ...(options.saveAs
        ? {
            'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(options.saveAs)}`,
          }
        : {}),
    },
  })
}
