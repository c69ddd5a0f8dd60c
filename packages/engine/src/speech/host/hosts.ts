import { type ChildProcess, fork } from 'node:child_process'
import { availableParallelism } from 'node:os'
import pLimit from 'p-limit'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { builtProgram } from '../../run/built-program.ts'
import type { RawSpeech } from '../contract.ts'
import type { HostOrder } from './speech-host.ts'

/** Time to start, and for every character; far above what any engine takes. */
const LIMIT_MS = { start: 20_000, character: 20, modelCharacter: 400 }

const limit = pLimit(Math.max(1, availableParallelism()))
const idle: ChildProcess[] = []

/**
 * Has an order carried out by an idle host; as many work at once as there are cores.
 *
 * @throws TidyError `voice_failed` when the engine failed, crashed or hung, `cancelled`
 */
export const speakInHost = (order: HostOrder, signal?: AbortSignal): Promise<RawSpeech> =>
  limit(async () => {
    if (signal?.aborted) throw new TidyError('cancelled')
    const host = idle.pop() ?? start()
    awake(host, true)
    const speech = await answerOf(host, order, signal)
    awake(host, false)
    idle.push(host)
    return speech
  })

function start(): ChildProcess {
  const host = fork(builtProgram('speech-host'), {
    execArgv: [],
    serialization: 'advanced',
    stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
  })
  // Who waits for an answer hears of it; an idle host that cannot be reached ends nobody else.
  host.on('error', () => undefined)
  host.on('exit', () => {
    const place = idle.indexOf(host)
    if (place >= 0) idle.splice(place, 1)
  })
  return host
}

/** An idle host keeps nobody from ending. */
function awake(host: ChildProcess, working: boolean) {
  host[working ? 'ref' : 'unref']()
  host.channel?.[working ? 'ref' : 'unref']()
}

function answerOf(host: ChildProcess, order: HostOrder, signal?: AbortSignal): Promise<RawSpeech> {
  return new Promise((resolve, reject) => {
    const fail = (reason: string) =>
      end(() =>
        reject(
          new TidyError('voice_failed', {
            engine: order.engine === 'model' ? 'The model' : order.engine,
            reason,
          }),
        ),
      )
    const end = (settle: () => void) => {
      clearTimeout(timer)
      signal?.removeEventListener('abort', onAbort)
      host.off('message', onMessage).off('exit', onExit).off('error', onExit)
      settle()
    }
    const onExit = () => fail('it stopped in the middle of the sentence')
    const onAbort = () => {
      host.kill('SIGKILL')
      end(() => reject(new TidyError('cancelled')))
    }
    const onMessage = (message: { speech?: RawSpeech; reason?: string }) => {
      if (message.speech) end(() => resolve(message.speech!))
      else {
        host.kill('SIGKILL')
        fail(message.reason ?? 'it gave no answer')
      }
    }
    const timer = setTimeout(
      () => {
        host.kill('SIGKILL')
        fail('it took too long and was stopped')
      },
      LIMIT_MS.start +
        (order.engine === 'model' ? LIMIT_MS.modelCharacter : LIMIT_MS.character) *
          order.order.text.length,
    )
    signal?.addEventListener('abort', onAbort, { once: true })
    host.on('message', onMessage).once('exit', onExit).once('error', onExit)
    host.send(order)
  })
}
