import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import sharp from 'sharp'
import { describe, expect, it } from 'vitest'
import { folder, photograph } from '../test/lying-library.ts'
import { piecesAt } from './cuts.ts'
import { metadataBeside, metadataInside } from './picture-metadata.ts'

/**
 * A packet as ISO 16684-1 (XMP) has it, with Dublin Core properties in their containers:
 * alternatives, a bag, a sequence.
 */
const XMP = `<?xpacket begin="" id="W5M0MpCehiHzreSzNTczkc9d"?>
<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description rdf:about="" xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:xmpRights="http://ns.adobe.com/xap/1.0/rights/">
<dc:title><rdf:Alt><rdf:li xml:lang="x-default">Fog signal at the pier</rdf:li></rdf:Alt></dc:title>
<dc:description><rdf:Alt><rdf:li xml:lang="x-default">A bell on a post, seen from the water.</rdf:li></rdf:Alt></dc:description>
<dc:subject><rdf:Bag><rdf:li>bell</rdf:li><rdf:li>fog</rdf:li><rdf:li>pier</rdf:li></rdf:Bag></dc:subject>
<dc:creator><rdf:Seq><rdf:li>A. Keeper</rdf:li></rdf:Seq></dc:creator>
<xmpRights:UsageTerms><rdf:Alt><rdf:li xml:lang="x-default">CC BY-SA 4.0</rdf:li></rdf:Alt></xmpRights:UsageTerms>
</rdf:Description></rdf:RDF></x:xmpmeta>
<?xpacket end="w"?>`
const SAID = {
  title: 'Fog signal at the pier',
  description: 'A bell on a post, seen from the water.',
  tags: ['bell', 'fog', 'pier'],
  author: 'A. Keeper',
  licence: 'CC BY-SA 4.0',
}

describe('describedBeside', () => {
  it('reads an XMP sidecar', async () =>
    expect(await metadataBeside(Buffer.from(XMP))).toEqual(SAID))
  it.each(['', 'harbour, boats', '<html></html>', '{"title":"x"}'])(
    'takes %j for none',
    async (text) => expect(await metadataBeside(Buffer.from(text))).toBeUndefined(),
  )
  it('bears one that is cut off half-way', async () =>
    expect((await metadataBeside(Buffer.from(XMP.slice(0, 480))))?.tags).toEqual([]))
})

describe('describedInside', () => {
  it('reads XMP inside a JPEG before its EXIF', async () => {
    const file = join(folder, 'xmp.jpg')
    writeFileSync(
      file,
      await sharp(photograph('xmp-plain', 320, 180))
        .withExif({ IFD0: { ImageDescription: 'by the camera', Artist: 'Camera' } })
        .withXmp(XMP)
        .jpeg()
        .toBuffer(),
    )
    expect(await metadataInside(file)).toEqual(SAID)
  })
  it('says nothing of a picture that carries nothing', async () =>
    expect(await metadataInside(photograph('bare', 320, 180))).toEqual({ tags: [] }))
})

describe('piecesAt', () => {
  it('leaves no piece too short to be a picture', () => {
    expect(piecesAt([4, 4.4, 9.8], 10)).toEqual([
      { from: 0, to: 4 },
      { from: 4, to: 10 },
    ])
    expect(piecesAt([], 10)).toEqual([])
    expect(piecesAt([0.5], 10)).toEqual([])
  })
})
