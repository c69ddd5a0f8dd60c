import { describe, expect, it } from 'vitest'
import { FAULTS, TidyError, type FaultCode } from './fault.ts'

describe('FAULTS', () => {
  it.each(Object.entries(FAULTS))(
    '%s says a whole sentence with a status of its own kind',
    (_code, { status, say }) => {
      const details = new Proxy({}, { get: (_target, name) => `<${String(name)}>` })
      const sentence = (say as (d: unknown) => string)(details)
      expect(sentence).toMatch(/^[\p{Lu}"<]/u)
      expect(sentence).toMatch(/[.>]$/)
      expect(sentence).not.toContain('undefined')
      expect(status).toBeGreaterThanOrEqual(400)
      expect(status).toBeLessThan(600)
    },
  )
})

describe('TidyError', () => {
  it('carries its code, its details and the sentence made of them', () => {
    const fault = new TidyError('script_too_long', { minutes: 200, limitMinutes: 60 })
    expect(fault).toMatchObject({
      code: 'script_too_long' satisfies FaultCode,
      status: 422,
      details: { minutes: 200, limitMinutes: 60 },
    })
    expect(fault.message).toContain('about 200 minutes')
  })
})
