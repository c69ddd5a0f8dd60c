import type { SheetCommand, SheetWorld } from './sheet-command.ts'
import { following } from './transitions.ts'

/** The film as a whole, and what lies over the sheet. */
export function filmCommands({ sheet, episode, desk }: SheetWorld): SheetCommand[] {
  const card = (name: 'opening' | 'closing') => () =>
    sheet.run({ type: 'setCard', card: name, set: { shown: !episode.document.cards[name].shown } })
  return [
    {
      group: 'Film',
      name: 'Transition at all cuts: dissolve, dip, push, slide, wipe, none',
      keys: ['Shift+t'],
      run: () =>
        sheet.run({
          type: 'setTransition',
          transition: following(episode.document.transition.kind),
        }),
    },
    { group: 'Film', name: 'Opening card: show or leave out', keys: [], run: card('opening') },
    { group: 'Film', name: 'Closing card: show or leave out', keys: [], run: card('closing') },
    { group: 'Film', name: 'Versions: keep, compare, bring back', keys: ['v'], run: desk.versions },
  ]
}
