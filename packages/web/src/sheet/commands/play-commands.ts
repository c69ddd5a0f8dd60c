import type { SheetCommand, SheetWorld } from './sheet-command.ts'

/** The monitor. */
export function playCommands({ sheet, episode, player, desk }: SheetWorld): SheetCommand[] {
  return [
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
      group: 'Play',
      name: 'See the film wide, upright, square, tall, broad',
      keys: ['Shift+w'],
      run: desk.shape,
    },
  ]
}
