import type { SheetCommand, SheetWorld } from './sheet-command.ts'

/** Where the cursor goes. */
export function goCommands({ sheet }: SheetWorld): SheetCommand[] {
  return [
    {
      group: 'Go',
      name: 'Next scene',
      keys: ['ArrowDown'],
      run: () => sheet.select(sheet.cursor.value + 1),
    },
    {
      group: 'Go',
      name: 'Scene before',
      keys: ['ArrowUp'],
      run: () => sheet.select(sheet.cursor.value - 1),
    },
    {
      group: 'Go',
      name: 'Select on to the next scene',
      keys: ['Shift+ArrowDown'],
      run: () => sheet.select(sheet.cursor.value + 1, { extend: true }),
    },
    {
      group: 'Go',
      name: 'Select on to the scene before',
      keys: ['Shift+ArrowUp'],
      run: () => sheet.select(sheet.cursor.value - 1, { extend: true }),
    },
    {
      group: 'Go',
      name: 'Select all scenes',
      keys: ['Ctrl+a'],
      run: () => {
        sheet.select(0)
        sheet.select(sheet.rows.value.length - 1, { extend: true })
      },
    },
    { group: 'Go', name: 'First line', keys: ['Home'], run: () => sheet.select(0) },
    {
      group: 'Go',
      name: 'Last line',
      keys: ['End'],
      run: () => sheet.select(sheet.rows.value.length - 1),
    },
    {
      group: 'Go',
      name: 'Ten scenes down',
      keys: ['PageDown'],
      run: () => sheet.select(sheet.cursor.value + 10),
    },
    {
      group: 'Go',
      name: 'Ten scenes up',
      keys: ['PageUp'],
      run: () => sheet.select(sheet.cursor.value - 10),
    },
    {
      group: 'Go',
      name: 'Next picture of the scene',
      keys: ['ArrowRight'],
      run: () => sheet.select(sheet.cursor.value, { shot: sheet.shot.value + 1 }),
    },
    {
      group: 'Go',
      name: 'Picture before in the scene',
      keys: ['ArrowLeft'],
      run: () => sheet.select(sheet.cursor.value, { shot: sheet.shot.value - 1 }),
    },
    { group: 'Go', name: 'Next flag', keys: ['n'], run: () => sheet.nextFlag(1) },
    { group: 'Go', name: 'Flag before', keys: ['Shift+n'], run: () => sheet.nextFlag(-1) },
  ]
}
