import { describe, expect, it } from 'vitest'
import { useInTurn } from './use-in-turn.ts'

const later = (act: () => void) => () =>
  new Promise<void>((resolve) => setTimeout(() => resolve(act()), 5))

describe('useInTurn', () => {
  it('does what is asked meanwhile afterwards, in order, and drops nothing', async () => {
    const { run } = useInTurn()
    const done: string[] = []
    const asked = ['copy', 'put away', 'rename'].map((name) =>
      run(
        name,
        later(() => done.push(name)),
      ),
    )
    expect(await Promise.all(asked)).toEqual([true, true, true])
    expect(done).toEqual(['copy', 'put away', 'rename'])
  })

  it('does once what is pressed twice, and again once it has ended', async () => {
    const { run } = useInTurn()
    let copies = 0
    const copy = () =>
      run(
        'copy',
        later(() => copies++),
      )
    await Promise.all([copy(), copy(), copy()])
    expect(copies).toBe(1)
    await copy()
    expect(copies).toBe(2)
  })

  it('tells why something could not be done, and goes on with the next', async () => {
    const { problem, run } = useInTurn()
    const refused = run('copy', () => Promise.reject(new Error('The disk is full.')))
    expect(await refused).toBe(false)
    expect(problem.value).toBe('The disk is full.')
    expect(
      await run(
        'rename',
        later(() => undefined),
      ),
    ).toBe(true)
    expect(problem.value).toBe('')
  })
})
