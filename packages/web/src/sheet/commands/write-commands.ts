import type { SheetCommand, SheetWorld } from './sheet-command.ts'

/** The narration. */
export function writeCommands({ sheet, desk }: SheetWorld): SheetCommand[] {
  return [
    {
      group: 'Write',
      name: 'Write in this scene',
      keys: ['Enter'],
      run: () => sheet.row.value && sheet.write(sheet.row.value.id),
    },
    {
      group: 'Write',
      name: 'New scene below',
      keys: ['i'],
      run: () =>
        sheet.row.value && sheet.begin(sheet.selectedIds.value.at(-1) ?? sheet.row.value.id),
    },
    {
      group: 'Write',
      name: 'Split the scene at the word being spoken',
      keys: ['s'],
      run: sheet.splitAtPlayer,
    },
    {
      group: 'Write',
      name: 'Join the scene with the next',
      keys: ['m'],
      run: () =>
        sheet.scene.value && sheet.run({ type: 'mergeScene', sceneId: sheet.scene.value.id }),
    },
    {
      group: 'Write',
      name: 'Chapter, speaker, pause and length of the scene',
      keys: ['e'],
      run: () => desk.open('scene'),
    },
    {
      group: 'Write',
      name: 'What is written and drawn on its picture',
      keys: ['b'],
      run: () => desk.open('drawn'),
    },
    {
      group: 'Write',
      name: 'What is heard in the scene beside the voice',
      keys: ['u'],
      run: () => desk.open('sounds'),
    },
  ]
}
