import { HOUSE_STYLES } from '@tidy-reel/core/style/house-styles'
import { print } from './print.ts'

/** Lists the house styles that films can be made in. */
export function stylesCommand({ json }: { json?: boolean }) {
  print(
    json
      ? HOUSE_STYLES.map(({ id, name }) => ({ id, name }))
      : HOUSE_STYLES.map(({ id, name }) => `${id.padEnd(12)}  ${name}`).join('\n'),
  )
}
