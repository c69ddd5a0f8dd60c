import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import type { SheetCommand, SheetWorld } from './sheet-command.ts'

const HALF_SECOND = SAMPLE_RATE / 2

/** Whole scenes. */
export function sceneCommands({ sheet }: SheetWorld): SheetCommand[] {
  const some = (act: (target: string[]) => unknown) => () => {
    const ids = sheet.selectedIds.value
    return ids.length && act(ids)
  }
  const set = (settings: object) =>
    some((target) => sheet.run({ type: 'adjustScenes', target, set: settings }))
  const length = (by: number) => () => {
    const scene = sheet.scene.value?.scene
    if (!scene) return
    const shortest = scene.speechEnd - scene.startSample
    const wanted = scene.endSample - scene.startSample + by
    sheet.run({
      type: 'adjustScenes',
      target: [scene.id],
      set: { length: Math.max(shortest, wanted) },
    })
  }
  return [
    { group: 'Scenes', name: 'Remove the selected scenes', keys: ['Delete'], run: sheet.remove },
    {
      group: 'Scenes',
      name: 'Copy of the selected scenes',
      keys: ['d'],
      run: some((sceneIds) => sheet.run({ type: 'duplicateScenes', sceneIds })),
    },
    {
      group: 'Scenes',
      name: 'Leave the selected scenes out of the film, or show them',
      keys: ['h'],
      run: () => set({ hidden: !sheet.scene.value?.hidden })(),
    },
    {
      group: 'Scenes',
      name: 'Move the selected scenes up',
      keys: ['Alt+ArrowUp'],
      run: () => sheet.moveBy(-1),
    },
    {
      group: 'Scenes',
      name: 'Move the selected scenes down',
      keys: ['Alt+ArrowDown'],
      run: () => sheet.moveBy(1),
    },
    { group: 'Scenes', name: 'Half a second longer', keys: ['+', '='], run: length(HALF_SECOND) },
    { group: 'Scenes', name: 'Half a second shorter', keys: ['-'], run: length(-HALF_SECOND) },
    { group: 'Scenes', name: 'As long as the voice', keys: ['0'], run: set({ length: null }) },
  ]
}
