import { describe, expect, it } from 'vitest'
import { TidyError } from '@tidy-reel/core/faults/fault'
import { ENGLISH } from '@tidy-reel/core/faults/messages'
import { FAULT_STATUS } from './fault-status.ts'
import { problemOf } from './problem.ts'

describe('FAULT_STATUS', () => {
  it.each(Object.entries(FAULT_STATUS))(
    'answers %s with a fault of its own kind, %i',
    (code, status) => {
      expect(ENGLISH).toHaveProperty(code)
      expect(status).toBeGreaterThanOrEqual(400)
      expect(status).toBeLessThan(600)
    },
  )
})

describe('problemOf', () => {
  it('tells a fault as RFC 9457 has it', () => {
    const fault = new TidyError('script_too_long', { minutes: 200, limitMinutes: 60 })
    expect(problemOf(fault)).toMatchObject({
      type: 'urn:tidy-reel:script_too_long',
      title: 'script_too_long',
      status: 422,
      detail: fault.message,
    })
  })
  it('takes broken JSON and refused requests for invalid input, all else for its own fault', () => {
    expect(problemOf(new SyntaxError('Unexpected end')).code).toBe('input_invalid')
    expect(problemOf(Object.assign(new Error('bad'), { status: 400 })).code).toBe('input_invalid')
    expect(problemOf(new Error('a secret')).detail).not.toContain('secret')
  })
})
