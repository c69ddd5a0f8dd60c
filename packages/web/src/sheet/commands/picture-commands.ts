import type { Episode } from '../../episode/episode-store.ts'
import type { Sheet } from '../use-sheet.ts'
import type { SheetCommand, SheetWorld } from './sheet-command.ts'
import { following } from './transitions.ts'

/** The pictures of a scene and their cuts. */
export function pictureCommands({ sheet, episode, desk }: SheetWorld): SheetCommand[] {
  const shot = () => sheet.scene.value?.shots[sheet.shot.value]
  const shotSet = (settings: object) =>
    sheet.scene.value &&
    sheet.run({
      type: 'adjustShots',
      target: [sheet.scene.value.id],
      shot: sheet.shot.value,
      set: settings,
    })
  return [
    {
      group: 'Pictures',
      name: 'Show one of the pictures offered',
      keys: ['1', '2', '3', '4'],
      run: (key) => desk.choose(Number(key ?? 1) - 1),
    },
    {
      group: 'Pictures',
      name: 'Pick run: one pass through all pictures',
      keys: ['Shift+p'],
      run: desk.pickRun,
    },
    {
      group: 'Pictures',
      name: 'Contact sheet: all pictures of the film at once',
      keys: ['c'],
      run: desk.contactSheet,
    },
    { group: 'Pictures', name: 'Search pictures', keys: ['/'], run: () => desk.search() },
    {
      group: 'Pictures',
      name: 'Add a picture at the word being spoken',
      keys: ['a'],
      run: () => sheet.addShot(),
    },
    {
      group: 'Pictures',
      name: 'Remove the chosen picture',
      keys: ['x'],
      run: () =>
        sheet.scene.value?.shots.length &&
        sheet.run({ type: 'removeShot', sceneId: sheet.scene.value.id, shot: sheet.shot.value }),
    },
    {
      group: 'Pictures',
      name: 'Cut one word later',
      keys: ['Ctrl+ArrowRight'],
      run: () => sheet.moveCut(1),
    },
    {
      group: 'Pictures',
      name: 'Cut one word earlier',
      keys: ['Ctrl+ArrowLeft'],
      run: () => sheet.moveCut(-1),
    },
    {
      group: 'Pictures',
      name: 'Picture one place earlier',
      keys: ['Alt+ArrowLeft'],
      run: () => moveShot(sheet, -1),
    },
    {
      group: 'Pictures',
      name: 'Picture one place later',
      keys: ['Alt+ArrowRight'],
      run: () => moveShot(sheet, 1),
    },
    {
      group: 'Pictures',
      name: 'Let the picture before go on here, or show its own',
      keys: ['o'],
      run: () => begin(sheet, episode.plan, 'hold'),
    },
    {
      group: 'Pictures',
      name: 'Begin the picture under the last word before, or with its own words',
      keys: ['Shift+o'],
      run: () => begin(sheet, episode.plan, 'early'),
    },
    {
      group: 'Pictures',
      name: 'Transition at this cut: dissolve, dip, push, slide, wipe, none',
      keys: ['t'],
      run: () =>
        shotSet({
          transition: following((shot()?.transition ?? episode.document.transition).kind),
        }),
    },
    {
      group: 'Pictures',
      name: 'Framing, part and speed of the picture',
      keys: ['f'],
      run: () => desk.open('shot'),
    },
    {
      group: 'Pictures',
      name: 'Look and colours of the picture',
      keys: ['y'],
      run: () => desk.open('look'),
    },
    {
      group: 'Pictures',
      name: 'Let the picture move by itself',
      keys: [],
      run: () => shot()?.frame && shotSet({ frame: null }),
    },
    { group: 'Pictures', name: 'Pictures offered', keys: ['p'], run: () => desk.open('pictures') },
  ]
}

/** Makes the pictures of the selected scenes begin so, or with their scenes where the first does. */
function begin({ run, selectedIds, scene }: Sheet, plan: Episode['plan'], how: 'hold' | 'early') {
  const target = selectedIds.value
  const now = plan.scenes.find(({ id }) => id === scene.value?.id)?.begins
  if (target.length)
    run({ type: 'adjustScenes', target, set: { begins: now === how ? 'cut' : how } })
}

function moveShot(sheet: Sheet, by: number) {
  const scene = sheet.scene.value
  const to = sheet.shot.value + by
  if (
    scene &&
    to >= 0 &&
    to < scene.shots.length &&
    sheet.run({ type: 'moveShot', sceneId: scene.id, from: sheet.shot.value, to })
  )
    sheet.shot.value = to
}
