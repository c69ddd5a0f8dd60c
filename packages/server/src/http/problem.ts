import type { Context } from 'hono'
import type { ContentfulStatusCode } from 'hono/utils/http-status'
import { BaseError, ConnectionError, DatabaseError } from 'sequelize'
import { isFault, TidyError } from '@tidy-reel/core/faults/fault'
import { FAULT_STATUS } from './fault-status.ts'

/**
 * A fault as RFC 9457 problem details, the sentence for people in `detail`.
 *
 * What is no fault of ours to tell becomes `unexpected`: its own words stay in the log.
 */
export function problemOf(cause: Error) {
  const fault = faultOf(cause)
  return {
    type: `urn:tidy-reel:${fault.code}`,
    title: fault.code,
    status: FAULT_STATUS[fault.code],
    detail: fault.message,
    code: fault.code,
    details: fault.details,
  }
}

/** Answers with the problem; what nobody foresaw is logged. */
export function answerProblem(c: Context, cause: Error): Response {
  const problem = problemOf(cause)
  // Without what the query was about: a person's words are not for logs.
  if (problem.code === 'unexpected') console.error(cause.stack ?? cause.message)
  // Ours has 499, for what was cancelled, which Hono does not list.
  return c.body(JSON.stringify(problem), problem.status as ContentfulStatusCode, {
    'content-type': 'application/problem+json',
  })
}

/** Connection exceptions, and a server that is stopping (PostgreSQL's classes 08 and 57P). */
const AWAY = /^(?:08|57P)|^E(?:CONNREFUSED|CONNRESET|PIPE)$/

function isAway(cause: Error): boolean {
  if (cause instanceof ConnectionError) return true
  const inner = cause instanceof BaseError && 'parent' in cause ? cause.parent : cause
  if (typeof inner !== 'object' || inner === null) return false
  const code = 'code' in inner ? String(inner.code) : ''
  return (
    AWAY.test(code) || ('message' in inner && /Connection terminated/.test(String(inner.message)))
  )
}

/** A number beyond its column, a text that is none (PostgreSQL's class 22 of error codes). */
const isDataException = ({ parent }: DatabaseError) =>
  'code' in parent && String(parent.code).startsWith('22')

/** PostgreSQL's code for a disk that is full. */
const isDiskFull = ({ parent }: DatabaseError) => 'code' in parent && parent.code === '53100'

function faultOf(cause: Error): TidyError {
  if (isFault(cause)) return cause
  if (cause instanceof SyntaxError)
    return new TidyError('input_invalid', { issues: 'the body is not JSON' })
  if ('status' in cause && cause.status === 400)
    return new TidyError('input_invalid', { issues: cause.message })
  if (isAway(cause)) return new TidyError('database_away')
  if (cause instanceof DatabaseError && isDiskFull(cause)) return new TidyError('disk_full')
  if (cause instanceof DatabaseError && isDataException(cause))
    return new TidyError('input_invalid', { issues: 'a value that cannot be kept' })
  return new TidyError('unexpected')
}
