import { describe, expect, it } from 'vitest'
import { copyMime, CopyName, copyName, CopyWish } from './copies.ts'

describe('CopyWish', () => {
  it.each([
    [{ kind: 'webm', lines: 720 }, true],
    [{ kind: 'gif', from: 3, to: 8 }, true],
    [{ kind: 'gif' }, false],
    [{ kind: 'gif', from: 3, to: 40 }, false],
    [{ kind: 'mp4', from: 9, to: 3 }, false],
    [{ kind: 'mov', megabytes: 5 }, false],
    [{ kind: 'mp3', lines: 720 }, false],
    [{ kind: 'mp4', lines: 721 }, false],
    [{ kind: 'mp4', megabytes: 0 }, false],
    [{ kind: 'avi' }, false],
  ])('%j: %s', (wish, isOne) => expect(CopyWish.safeParse(wish).success).toBe(isOne))
})

describe('copyName', () => {
  it('is another for each wish, and one that is served', () => {
    const wishes: CopyWish[] = [
      { kind: 'mp4' },
      { kind: 'hevc' },
      { kind: 'mp4', lines: 720 },
      { kind: 'mp4', lines: 720, megabytes: 24.5 },
      { kind: 'gif', from: 1.25, to: 8 },
      { kind: 'gif', from: 12, to: 8 },
    ]
    const names = wishes.map(copyName)
    expect(new Set(names).size).toBe(wishes.length)
    for (const name of names) expect(CopyName.safeParse(name).success, name).toBe(true)
    expect(copyName({ kind: 'webm', lines: 720 })).toBe('copy-webm-720.webm')
  })
  it('has the type of its ending', () =>
    expect(['copy-gif.gif', 'copy-av1.webm', 'copy.exe'].map(copyMime)).toEqual([
      'image/gif',
      'video/webm',
      'application/octet-stream',
    ]))
  it.each(['../film.mp4', 'copy-.mp4', 'copy-a/b.mp4', 'film.mp4'])(
    'serves nothing called %s',
    (name) => expect(CopyName.safeParse(name).success).toBe(false),
  )
})
