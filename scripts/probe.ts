import { tidyScript } from '@tidy-reel/core/tidy/tidy'
for (const t of [
  '[On screen: 1856] The first lock took eleven years.',
  '[b-roll: rain] [sound: thunder] The storm came. [Show the map of the valley] It stayed.',
  '[Text on screen: Twice a day] [B-roll of boats on the sand]\nThe sea comes up.',
  'Narrator: The keeper said, "I never (laughs) slept." It was true.',
  '[Visual: a lamp, burning; slowly zoom in on the wick, then cut to the sea] The lamp burns.',
])
  console.log(JSON.stringify(tidyScript(t)))
