import { existsSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { writeFile } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { contentHash, keptFile } from './kept-file.ts'

const folder = mkdtempSync(join(tmpdir(), 'tidy-kept-'))
const path = (name: string) => join(folder, name)

describe('keptFile', () => {
  it('makes a file once', async () => {
    let times = 0
    const make = async (half: string) => {
      times++
      await writeFile(half, 'x')
    }
    await keptFile(path('once.wav'), make)
    await keptFile(path('once.wav'), make)
    expect(times).toBe(1)
  })
  it('shows it only when it is whole, under a name that keeps its ending', async () => {
    await keptFile(path('whole.mp4'), async (half) => {
      writeFileSync(half, 'half')
      expect(half).toMatch(/\.part\.mp4$/)
      expect(existsSync(path('whole.mp4'))).toBe(false)
      writeFileSync(half, 'whole')
    })
    expect(readFileSync(path('whole.mp4'), 'utf8')).toBe('whole')
  })
  it('leaves nothing behind when making fails', async () => {
    await expect(
      keptFile(path('broken.wav'), async (half) => {
        writeFileSync(half, 'half')
        throw new Error('broke')
      }),
    ).rejects.toThrow('broke')
    expect(readdirSync(folder).filter((name) => name.startsWith('broken'))).toEqual([])
  })
  it('calls a full disk by its name', async () => {
    await expect(
      keptFile(path('full.wav'), () => writeFile('/dev/full', 'x'.repeat(1 << 16))),
    ).rejects.toMatchObject({ code: 'disk_full' })
  })
  it('lets two makers of the same file both succeed', async () => {
    const make = (half: string) => writeFile(half, 'same')
    await expect(
      Promise.all([keptFile(path('both.wav'), make), keptFile(path('both.wav'), make)]),
    ).resolves.toHaveLength(2)
  })
})

describe('contentHash', () => {
  it('is the same for the same value and another for another', () => {
    expect(contentHash({ a: 1 })).toBe(contentHash({ a: 1 }))
    expect(contentHash({ a: 1 })).not.toBe(contentHash({ a: 2 }))
    expect(contentHash({ a: 1 })).toMatch(/^[0-9a-f]{32}$/)
  })
})
