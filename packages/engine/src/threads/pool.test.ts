import { afterAll, describe, expect, it } from 'vitest'
import { isFault } from '@tidy-reel/core/faults/fault'
import { workPool } from './pool.ts'

/** Longer than a person would wait: beside other tests ten seconds are soon over. */
const pool = workPool(60)
afterAll(() => pool.close())

describe('workPool', () => {
  it('reads a document in a thread while this one goes on', async () => {
    const page = `<html><body>${'<p>The lamp turns over the water, and a ship sees it.</p>'.repeat(3000)}</body></html>`
    let longest = 0
    const begun = performance.now()
    let last = begun
    const ticking = setInterval(() => {
      longest = Math.max(longest, performance.now() - last)
      last = performance.now()
    }, 5)
    const { script } = await pool.run('readPage', { html: page, name: 'light.html' })
    clearInterval(ticking)
    expect(script).toContain('The lamp turns over the water')
    // Read here, nothing would tick until it is done.
    expect(longest).toBeLessThan((performance.now() - begun) / 2)
  })

  it('gives a fault of the task back with its code and its sentence', async () => {
    const cause: unknown = await pool
      .run('importFile', { bytes: Buffer.from('PK\u0003\u0004'), name: 'half.docx' })
      .catch((fault: unknown) => fault)
    expect(isFault(cause) && [cause.code, cause.message]).toEqual([
      'import_unreadable',
      '"half.docx" cannot be read: it is damaged or was cut off. Your text is as it was.',
    ])
  })

  it('ends a task that its asker has given up, and does the next', async () => {
    const giveUp = new AbortController()
    const deep = `${'<div>'.repeat(60)}${'<p>water</p>'.repeat(30_000)}`
    const given = pool.run('readPage', { html: deep, name: 'deep.html' }, giveUp.signal)
    setTimeout(() => giveUp.abort(), 150)
    await expect(given).rejects.toMatchObject({ code: 'cancelled' })
    const { document } = await pool.run('beginDocument', { title: 'Light', script: 'It burns.' })
    expect(document.scenes.map(({ text }) => text)).toEqual(['It burns.'])
  })

  it('ends what takes too long, but not music, which a busy machine plays slowly', async () => {
    const hurried = workPool(0.001)
    const page = hurried.run('readPage', { html: '<p>water</p>', name: 'page.html' })
    await expect(page).rejects.toMatchObject({ code: 'work_too_long' })
    const missing = hurried.run('listenTo', { folder: '/nowhere', id: 'none' })
    await expect(missing).rejects.not.toMatchObject({ code: 'work_too_long' })
    await hurried.close()
  })
})
