import type { Transition } from '@tidy-reel/core/document/document'
import { CUT } from '@tidy-reel/core/document/document'
import { SAMPLE_RATE } from '@tidy-reel/core/time/time'
import type { Episode } from '../episode/episode-store.ts'
import type { Player } from '../monitor/use-player.ts'
import type { Sheet } from './use-sheet.ts'

/**
 * Something a person can do on the sheet: found in the palette, on the sheet of keys, and under its
 * keys.
 */
export interface SheetCommand {
  name: string
  group: 'Go' | 'Play' | 'Write' | 'Scenes' | 'Pictures' | 'Film'
  /** As `keyOf` writes them; none for what is reached through the palette alone. */
  keys: readonly string[]
  /** @param key the one it was called by; none from the palette */
  run: (key?: string) => unknown
  /** Also while a field has the cursor. */
  everywhere?: boolean
  /** Its keys are heard by the episode, in every room. */
  elsewhere?: boolean
}

/** What only the page can do: its panels and what lies over it. */
export interface Desk {
  open(panel: 'pictures' | 'shot' | 'scene'): void
  search(): void
  choose(candidate: number): void
  pickRun(): void
  contactSheet(): void
  palette(): void
  keys(): void
  versions(): void
  fullscreen(): void
  guides(): void
}

const HALF_SECOND = SAMPLE_RATE / 2
export const DISSOLVE: Transition = { kind: 'dissolve', samples: SAMPLE_RATE }
export const DIP: Transition = { kind: 'dip', samples: SAMPLE_RATE }

/** Every command of the sheet, once. */
export function sheetCommands(
  sheet: Sheet,
  episode: Episode,
  player: Player,
  desk: Desk,
): SheetCommand[] {
  const ids = () => sheet.selectedIds.value
  const some = (act: (target: string[]) => unknown) => () => ids().length && act(ids())
  const set = (settings: object) =>
    some((target) => sheet.run({ type: 'adjustScenes', target, set: settings }))
  const shotSet = (settings: object) => () =>
    sheet.scene.value &&
    sheet.run({
      type: 'adjustShots',
      target: [sheet.scene.value.id],
      shot: sheet.shot.value,
      set: settings,
    })
  const length = (by: number) => () => {
    const scene = sheet.scene.value?.scene
    if (scene)
      sheet.run({
        type: 'adjustScenes',
        target: [scene.id],
        set: {
          length: Math.max(
            scene.speechEnd - scene.startSample,
            scene.endSample - scene.startSample + by,
          ),
        },
      })
  }
  const transition = () =>
    sheet.scene.value?.shots[sheet.shot.value]?.transition ?? episode.document!.transition
  const following: Record<Transition['kind'], Transition> = {
    cut: DISSOLVE,
    dissolve: DIP,
    dip: CUT,
  }
  const frame = () => sheet.scene.value?.shots[sheet.shot.value]?.frame
  const card = (name: 'opening' | 'closing') => () =>
    sheet.run({ type: 'setCard', card: name, set: { shown: !episode.document!.cards[name].shown } })
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

    { group: 'Play', name: 'Play or stop', keys: [' '], run: () => player.toggle() },
    {
      group: 'Play',
      name: 'Play this scene',
      keys: ['Shift+ '],
      run: () =>
        player.playScene(episode.film.scenes.findIndex(({ id }) => id === sheet.row.value?.id)),
    },
    { group: 'Play', name: 'Faster forward', keys: ['l'], run: () => player.shuttle(1) },
    { group: 'Play', name: 'Stop', keys: ['k'], run: () => player.stop() },
    { group: 'Play', name: 'Backwards', keys: ['j'], run: () => player.shuttle(-1) },
    {
      group: 'Play',
      name: 'One frame forward',
      keys: ['Shift+ArrowRight'],
      run: () => player.step(1),
    },
    {
      group: 'Play',
      name: 'One frame back',
      keys: ['Shift+ArrowLeft'],
      run: () => player.step(-1),
    },
    { group: 'Play', name: 'Repeat the scene while playing', keys: ['r'], run: player.repeat },
    { group: 'Play', name: 'Whole screen', keys: ['w'], run: desk.fullscreen },
    { group: 'Play', name: 'Guides: thirds and safe area', keys: ['g'], run: desk.guides },

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
      name: 'Transition at this cut: none, dissolve, dip',
      keys: ['t'],
      run: () => shotSet({ transition: following[transition().kind] })(),
    },
    {
      group: 'Pictures',
      name: 'Framing, part and speed of the picture',
      keys: ['f'],
      run: () => desk.open('shot'),
    },
    {
      group: 'Pictures',
      name: 'Let the picture move by itself',
      keys: [],
      run: () => frame() && shotSet({ frame: null })(),
    },
    { group: 'Pictures', name: 'Pictures offered', keys: ['p'], run: () => desk.open('pictures') },

    {
      group: 'Film',
      name: 'Transition at all cuts: none, dissolve, dip',
      keys: ['Shift+t'],
      run: () =>
        sheet.run({
          type: 'setTransition',
          transition: following[episode.document!.transition.kind],
        }),
    },
    { group: 'Film', name: 'Opening card: show or leave out', keys: [], run: card('opening') },
    { group: 'Film', name: 'Closing card: show or leave out', keys: [], run: card('closing') },
    { group: 'Film', name: 'Versions: keep, compare, bring back', keys: ['v'], run: desk.versions },
    {
      group: 'Film',
      name: 'Undo',
      keys: ['Ctrl+z'],
      run: () => episode.step('undo'),
      elsewhere: true,
    },
    {
      group: 'Film',
      name: 'Redo',
      keys: ['Ctrl+y', 'Ctrl+Shift+z'],
      run: () => episode.step('redo'),
      elsewhere: true,
    },
    { group: 'Film', name: 'All commands', keys: ['F2'], run: desk.palette, everywhere: true },
    { group: 'Film', name: 'Sheet of keys', keys: ['F1', '?'], run: desk.keys },
  ]
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

/** A key press as the commands name it: `Ctrl+Shift+z`, `ArrowUp`, `?`. */
export function keyOf({
  key,
  ctrlKey,
  metaKey,
  altKey,
  shiftKey,
}: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey'>): string {
  const letter = /^\p{L}$/u.test(key)
  const plain = key.length === 1 && !letter && key !== ' '
  return [
    ...(ctrlKey || metaKey ? ['Ctrl'] : []),
    ...(altKey ? ['Alt'] : []),
    ...(shiftKey && !plain ? ['Shift'] : []),
    letter ? key.toLowerCase() : key,
  ].join('+')
}

const NAMES: Record<string, string> = {
  ' ': 'Space',
  ArrowUp: '↑',
  ArrowDown: '↓',
  ArrowLeft: '←',
  ArrowRight: '→',
  Delete: 'Del',
  PageUp: 'Page ↑',
  PageDown: 'Page ↓',
  '-': '−',
}
/** A key as people read it. */
export const keyName = (key: string) =>
  key
    .split(/(?<=\w)\+/)
    .map((part) => NAMES[part] ?? (/^[a-z]$/.test(part) ? part.toUpperCase() : part))
    .join(' ')
