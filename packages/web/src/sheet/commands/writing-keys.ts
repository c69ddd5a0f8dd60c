import type { ToldKeys } from '../../keys/key-command.ts'

/** What a narration hears while it is written, and what the browser does with scenes. */
export const WRITING_KEYS: readonly ToldKeys[] = [
  {
    group: 'While writing',
    lines: [
      ['Enter', 'splits the scene at the cursor; at the end a new one begins'],
      ['Backspace', 'at the beginning joins it with the scene before'],
      ['Del', 'at the end joins the next one to it'],
      ['↑ ↓', 'go on into the scenes above and below'],
      ['Esc', 'leaves the text as it was'],
    ],
  },
  {
    group: 'Copy',
    lines: [
      ['Ctrl C', 'copies the selected scenes'],
      ['Ctrl V', 'puts them in behind the cursor, in another episode too'],
    ],
  },
]
