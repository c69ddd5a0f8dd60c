import { describe, expect, it } from 'vitest'
import { lastWords, runProgram } from './program.ts'

const fault = (run: Promise<unknown>) =>
  run.then(
    () => undefined,
    (cause: { code: string; message: string }) => cause,
  )

describe('runProgram', () => {
  it('returns what the program wrote', async () => {
    const { stdout } = await runProgram('cat', [], { input: 'the sea' })
    expect(stdout.toString()).toBe('the sea')
  })
  it('gives every argument as it is: no shell reads it', async () => {
    const { stdout } = await runProgram('printf', ['%s', '$(id); `id` && "x" * ~'])
    expect(stdout.toString()).toBe('$(id); `id` && "x" * ~')
  })
  it('says what to install when a program is missing', async () => {
    const cause = await fault(runProgram('no-such-program', []))
    expect(cause).toMatchObject({ code: 'program_missing' })
    expect(cause!.message).toContain('sudo apt-get install')
  })
  it('repeats the last words of a program that failed', async () => {
    const cause = await fault(
      runProgram('ffmpeg', ['-v', 'error', '-i', '/nowhere/at/all.mp4', '-f', 'null', '-']),
    )
    expect(cause).toMatchObject({ code: 'program_failed' })
    expect(cause!.message).toContain('No such file')
    expect(cause!.message).not.toContain('/nowhere/at')
  })
  it('stops a program that takes too long, and says so', async () => {
    const cause = await fault(runProgram('sleep', ['30'], { timeoutMs: 150 }))
    expect(cause).toMatchObject({ code: 'program_failed' })
    expect(cause!.message).toContain('too long')
  })
  it('ends as cancelled when asked to stop', async () => {
    const stop = new AbortController()
    setTimeout(() => stop.abort(), 100)
    expect(await fault(runProgram('sleep', ['30'], { signal: stop.signal }))).toMatchObject({
      code: 'cancelled',
    })
  })
  it('knows a full disk when a program says so', async () => {
    expect(
      await fault(runProgram('dd', ['if=/dev/zero', 'of=/dev/full', 'count=1'], {})),
    ).toMatchObject({ code: 'disk_full' })
  })
})

describe('lastWords', () => {
  it('leaves out where files lie on this machine', () =>
    expect(lastWords('one\n/home/x/y/film.mp4: Invalid data\n')).toBe(
      'one; film.mp4: Invalid data',
    ))
})
