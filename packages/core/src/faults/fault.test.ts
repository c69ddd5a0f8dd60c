import { describe, expect, it } from 'vitest'
import { TidyError } from './fault.ts'
import { ENGLISH } from './messages.ts'

describe('ENGLISH', () => {
  it.each(Object.entries(ENGLISH))('%s says a whole sentence', (_code, say) => {
    const details = new Proxy({}, { get: (_target, name) => `<${String(name)}>` })
    const sentence = (say as (d: unknown) => string)(details)
    expect(sentence).toMatch(/^[\p{Lu}"<]/u)
    expect(sentence).toMatch(/[.>]$/)
    expect(sentence).not.toContain('undefined')
  })
})

describe('TidyError', () => {
  it('carries its code, its details and the sentence made of them', () => {
    const fault = new TidyError('script_too_long', { minutes: 200, limitMinutes: 60 })
    expect(fault).toMatchObject({
      code: 'script_too_long',
      details: { minutes: 200, limitMinutes: 60 },
    })
    expect(fault.message).toContain('about 200 minutes')
  })
})
