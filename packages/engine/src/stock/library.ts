import { isOurs } from '@tidy-reel/core/pictures/item'
import { type EngineConfig, folders } from '../config.ts'
import { ownFiles } from '../own/own-files.ts'
import type { PictureLibrary, PictureProvider } from './contract.ts'
import { manySources, type Source } from './many-sources.ts'
import { pagesProvider } from './providers/pages.ts'
import { recordsProvider } from './providers/records.ts'

/**
 * How often each outside library may be asked: ours runs on this machine, an archive says 100 a
 * second and gets less.
 */
const PER_SECOND = { stock: 200, prints: 80 }

/**
 * All pictures there are: those of the outside libraries, and the person's own.
 *
 * @param shelf where own pictures are looked for; left out, they are had by their ids alone
 */
export function pictureLibrary(
  config: EngineConfig,
  shelf?: Pick<PictureProvider, 'search'>,
): PictureLibrary {
  const { own, searches } = folders(config)
  const sources: Source[] = [
    {
      key: '',
      name: config.stock,
      provider: pagesProvider(config.stock),
      perSecond: PER_SECOND.stock,
    },
    ...(config.prints
      ? [
          {
            key: 'prints',
            name: config.prints,
            provider: recordsProvider(config.prints),
            perSecond: PER_SECOND.prints,
          },
        ]
      : []),
  ]
  const outside = manySources(sources, searches)
  const inside = ownFiles(own)
  return {
    async search(query, signal) {
      const [ours, theirs] = await Promise.all([
        shelf?.search(query, signal) ?? [],
        outside.search(query, signal),
      ])
      return { items: [...ours, ...theirs.items], faults: theirs.faults }
    },
    download: (item, height, out, signal) =>
      (isOurs(item.id) ? inside : outside).download(item, height, out, signal),
    thumbnail: (id, out, signal) => (isOurs(id) ? inside : outside).thumbnail(id, out, signal),
  }
}
