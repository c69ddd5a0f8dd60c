/** A language-model service for tests: it streams, fails, lies or is slow as it is told. */
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http'
import type { AddressInfo } from 'node:net'

export type Asked = { model: string; messages: { content: string }[]; stream: boolean }
/** Runs with the address of a service that answers as it is told. */
export async function withService<T>(
  answer: (asked: Asked, response: ServerResponse, request: IncomingMessage) => void,
  run: (address: string) => Promise<T>,
): Promise<T> {
  const server = createServer((request, response) => {
    let body = ''
    request.on('data', (chunk: Buffer) => (body += String(chunk)))
    request.on('end', () => answer(JSON.parse(body) as Asked, response, request))
  })
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  try {
    return await run(`http://127.0.0.1:${(server.address() as AddressInfo).port}/chat`)
  } finally {
    server.closeAllConnections()
    await new Promise((done) => server.close(done))
  }
}

/** One event of a streamed answer. */
export const piece = (content: string) =>
  `data: ${JSON.stringify({ choices: [{ delta: { content } }] })}\n\n`

/** Streams a text, then `end`. */
export const streams =
  (text: string, end = 'data: [DONE]\n\n') =>
  (_asked: Asked, response: ServerResponse) => {
    response.setHeader('content-type', 'text/event-stream')
    // In pieces that break words, lines and events apart.
    const all = (text.match(/[\s\S]{1,7}/g) ?? []).map(piece).join('') + end
    for (let at = 0; at < all.length; at += 11) response.write(all.slice(at, at + 11))
    response.end()
  }
