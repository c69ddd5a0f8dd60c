import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'

interface Credit {
  author: string
  licence: string
  source: string
}

/**
 * Author, licence and source of a picture from the `README` its archive carries: blocks parted by
 * blank lines, each `Copyright:`, `License:`, `Source:` and `Files:`.
 */
export function creditsOf(mediaFolder: string, path: string): Credit {
  const [archive, ...rest] = path.split('/')
  const readme = join(mediaFolder, 'gcompris', archive!, 'README')
  const fallback = {
    author: 'see README of the package',
    licence: 'see README of the package',
    source: 'Debian package gcompris-qt-data',
  }
  if (!existsSync(readme)) return fallback
  const name = `${rest.join('/')}.webp`
  const block = readFileSync(readme, 'utf8')
    .split(/\n\s*\n/)
    .find((text) =>
      text.split('\n').some((line) => line.replace(/^Files?:\s*/, '').trim() === name),
    )
  if (!block) return fallback
  const field = (key: string) => new RegExp(`^${key}:\\s*(.+)$`, 'm').exec(block)?.[1]?.trim()
  return {
    author: field('Copyright') ?? fallback.author,
    licence: field('License') ?? fallback.licence,
    source: field('Source') ?? fallback.source,
  }
}
