import { describe, expect, it } from 'vitest'
import { apply, documentFrom } from './apply.ts'
import type { Command } from './command.ts'
import { carriedConflicts } from './conflicts.ts'
import type { Document } from './document.ts'

const SCRIPT = 'The lamp burns. It turns all night.\n\nThe sea is calm.'
const film = () => documentFrom('Light', SCRIPT)
const done = (document: Document, ...commands: Command[]) =>
  commands.reduce((now, command) => apply(now, command).document, document)
const script = (text: string, base = SCRIPT): Command => ({ type: 'setScript', script: text, base })
const versionsOf = ({ script: text, conflicts }: Document) =>
  conflicts.map(({ first, second }) => [first, second].map(({ from, to }) => text.slice(from, to)))

const dawn = SCRIPT.replace('all night', 'till dawn')
const hour = SCRIPT.replace('all night', 'for an hour')
const both = () => done(film(), script(dawn), script(hour))

describe('two who wrote at once', () => {
  it('find both their words in the script, each scene with its own pictures', () => {
    const merged = done(
      film(),
      script(SCRIPT.replace('burns', 'burns low')),
      script(`${SCRIPT} Gulls cry.`),
    )
    expect(merged.script).toBe(
      'The lamp burns low. It turns all night.\n\nThe sea is calm. Gulls cry.',
    )
    expect(merged.scenes.map(({ id }) => id)).toEqual(['s1', 's2', 's3', 's4'])
    expect(merged.conflicts).toEqual([])
  })
  it('find both versions marked where they changed the same words', () => {
    expect(versionsOf(both())).toEqual([['It turns till dawn.', 'It turns for an hour.']])
  })
  it.each([
    ['first', dawn],
    ['second', hour],
    ['both', both().script],
  ] as const)('settle them: %s', (keep, left) => {
    const [conflict] = both().conflicts
    const settled = done(both(), { type: 'settleConflict', id: conflict!.id, keep })
    expect(settled.script).toBe(left)
    expect(settled.conflicts).toEqual([])
    // Whoever settles it a moment later changes nothing more.
    expect(done(settled, { type: 'settleConflict', id: conflict!.id, keep: 'first' })).toBe(settled)
  })
  it.each([
    ['the sentence that was changed', 'second', hour],
    ['nothing', 'first', SCRIPT.replace(' It turns all night.', '')],
  ] as const)('keep %s where one took the sentence out', (_, keep, left) => {
    const without = SCRIPT.replace(' It turns all night.', '')
    const merged = done(film(), script(without), script(hour))
    expect(versionsOf(merged)).toEqual([['', 'It turns for an hour.']])
    expect(merged.script).toBe(hour)
    const [conflict] = merged.conflicts
    expect(done(merged, { type: 'settleConflict', id: conflict!.id, keep }).script).toBe(left)
  })
  it('find both in a scene of the sheet, and in notes', () => {
    const scene = (text: string): Command => ({
      type: 'editNarration',
      sceneId: 's2',
      text,
      base: 'It turns all night.',
    })
    const merged = done(film(), scene('It turns till dawn.'), scene('It turns for an hour.'))
    expect(merged.script).toContain('It turns till dawn. It turns for an hour.')
    expect(versionsOf(merged)).toEqual([['It turns till dawn.', 'It turns for an hour.']])
    const notes = (text: string): Command => ({ type: 'setNotes', notes: text, base: '' })
    expect(done(film(), notes('Ask the keeper.'), notes('See the tower.')).notes).toBe(
      'Ask the keeper.\nSee the tower.',
    )
  })
  it('replace what is there when they say nothing of what it was written on', () =>
    expect(done(film(), { type: 'setScript', script: 'New.' }).script).toBe('New.'))
})

describe('carriedConflicts', () => {
  const { script: text, conflicts } = both()
  const versionsAfter = (after: string) =>
    versionsOf({ ...both(), script: after, conflicts: carriedConflicts(conflicts, text, after) })
  it('go with the text around them, and grow while a version is written on', () => {
    expect(versionsAfter(`Before. ${text} After.`)).toEqual(versionsOf(both()))
    expect(versionsAfter(text.replace('till dawn', 'until the dawn'))).toEqual([
      ['It turns until the dawn.', 'It turns for an hour.'],
    ])
  })
  it('lapse where a version is taken out, or all of it is written anew', () => {
    expect(versionsAfter(text.replace('\nIt turns for an hour.', ''))).toEqual([])
    expect(versionsAfter('Something else.')).toEqual([])
  })
  it('are taken back with the change that brought them', () => {
    const before = done(film(), script(dawn))
    const { document, inverse } = apply(before, script(hour))
    expect(apply(document, { type: 'takeBack', inverse }).document).toMatchObject({
      script: dawn,
      conflicts: [],
    })
  })
})
