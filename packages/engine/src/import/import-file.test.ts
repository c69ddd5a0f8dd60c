import { buffer } from 'node:stream/consumers'
import {
  Document,
  FootnoteReferenceRun,
  HeadingLevel,
  Packer,
  Paragraph,
  Table,
  TableCell,
  TableRow,
  TextRun,
} from 'docx'
import iconv from 'iconv-lite'
import PptxGenJS from 'pptxgenjs'
import { describe, expect, it } from 'vitest'
import { ZipFile } from 'yazl'
import { parseScript } from '@tidy-reel/core/script/parse'
import { importFile } from './import-file.ts'
import { IMPORT_BYTES_LIMIT } from './import-limit.ts'

// Documents are made by other libraries (docx, pptxgenjs, yazl) or written out by hand as their
// standards have them.
const zipped = (parts: Record<string, string | Buffer>): Promise<Buffer> => {
  const zip = new ZipFile()
  for (const [path, part] of Object.entries(parts)) zip.addBuffer(Buffer.from(part), path)
  zip.end()
  return buffer(zip.outputStream)
}
const spoken = (script: string) => parseScript(script).scenes.map(({ text }) => text)
const PIXEL = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)
const text = (content: string, name = 'a.txt') => importFile(Buffer.from(content), name)

describe('importFile, of text', () => {
  it.each([
    ['UTF-8', Buffer.from('Über dem Hafen – “Licht”.')],
    ['UTF-8 with its mark', Buffer.from('\ufeffÜber dem Hafen – “Licht”.')],
    [
      'UTF-16LE',
      Buffer.concat([
        Buffer.from([0xff, 0xfe]),
        iconv.encode('Über dem Hafen – “Licht”.', 'utf-16le'),
      ]),
    ],
    ['UTF-16BE', iconv.encode('Über dem Hafen – “Licht”.', 'utf-16be', { addBOM: true })],
    [
      'UTF-16LE without its mark',
      iconv.encode(
        'Plain words, long enough to be told apart. Über dem Hafen – “Licht”.',
        'utf-16le',
      ),
    ],
    ['Windows-1252', iconv.encode('Über dem Hafen – “Licht”.', 'windows-1252')],
  ])('reads %s', async (_name, bytes) =>
    expect((await importFile(bytes, 'a.txt')).script).toContain('Über dem Hafen – “Licht”.'),
  )
  it('reads Cyrillic in its old encoding, and says so', async () => {
    const { script, left } = await importFile(
      iconv.encode(
        'Маяк стоит на скале уже двести лет. Его свет виден за двадцать миль, и каждую ночь он зажигается снова.',
        'windows-1251',
      ),
      'маяк.txt',
    )
    expect(script).toContain('Маяк стоит на скале')
    expect(left.join()).toContain('windows-1251')
  })
  it('keeps Markdown for the tidy pass and takes its first heading for the title', async () =>
    expect(await text('# The lamp\n\nIt **burns**.', 'lamp.md')).toEqual({
      title: 'The lamp',
      script: '# The lamp\n\nIt **burns**.',
      left: [],
      pictures: [],
    }))
})

describe('importFile, of tables and subtitles', () => {
  it.each([
    ['commas', ','],
    ['semicolons', ';'],
    ['tabs', '\t'],
  ])('reads a two-column script with %s', async (_name, mark) => {
    const { script, left } = await text(
      ['Scene', 'Visual', 'Narration'].join(mark) +
        '\n' +
        ['1', 'A harbour', '"The harbour, they say, wakes."'].join(mark) +
        '\n' +
        ['2', 'A rope', 'It holds.'].join(mark),
      'a.csv',
    )
    expect(script).toBe(
      '[picture: A harbour] The harbour, they say, wakes.\n\n[picture: A rope] It holds.',
    )
    expect(left).toEqual(['Left out: the columns “Scene”.'])
  })
  it('takes the column of most words for the narration when none is named', async () =>
    expect(
      (
        await text(
          'rope,It holds a ship of nine hundred tonnes.\nbell,It rings when the fog comes in.',
          'a.csv',
        )
      ).script,
    ).toContain('[picture: rope] It holds a ship'))
  it('says so when columns cannot be told apart', async () =>
    expect(text('One sentence.\nAnother one.', 'a.csv')).rejects.toThrow(
      /columns cannot be told apart/,
    ))
  it.each([
    [
      'SRT',
      '1\n00:00:01,000 --> 00:00:03,000\nThe sand on this beach\nis not <i>from</i> here.\n\n2\n00:00:03,200 --> 00:00:06,000\nIt came down a river.\n\n3\n00:00:09,000 --> 00:00:11,000\nSlowly.',
    ],
    [
      'VTT',
      'WEBVTT\n\nNOTE a remark\n\n00:01.000 --> 00:03.000 align:start\nThe sand on this beach\nis not from here.\n\n00:03.200 --> 00:06.000\n<v Ann>It came down a river.\n\n00:09.000 --> 00:11.000\nSlowly.',
    ],
  ])('reads %s as sentences, a long silence as a paragraph', async (_name, content) =>
    expect((await text(content, 'a.srt')).script).toBe(
      'The sand on this beach is not from here. It came down a river.\n\nSlowly.',
    ),
  )
  it('leaves subtitles that are called a text to the tidy pass', async () =>
    expect((await text('1\n00:00:01,000 --> 00:00:03,000\nThe sand.', 'a.txt')).script).toContain(
      '-->',
    ))
})

describe('importFile, of documents', () => {
  it('reads a .docx: headings, lists, no tables, no footnotes', async () => {
    const table = new Table({
      rows: [
        new TableRow({ children: [new TableCell({ children: [new Paragraph('a number')] })] }),
      ],
    })
    const doc = new Document({
      title: 'How it works',
      footnotes: { 1: { children: [new Paragraph('A footnote.')] } },
      sections: [
        {
          children: [
            new Paragraph({ text: 'The lens', heading: HeadingLevel.HEADING_1 }),
            new Paragraph({
              children: [
                new TextRun('It is '),
                new TextRun({ text: 'old', bold: true }),
                new TextRun('.'),
                new FootnoteReferenceRun(1),
              ],
            }),
            new Paragraph({ text: 'It turns', bullet: { level: 0 } }),
            new Paragraph({ text: 'It shines', bullet: { level: 0 } }),
            table,
          ],
        },
      ],
    })
    const made = await importFile(await Packer.toBuffer(doc), 'a.docx')
    expect(made).toMatchObject({
      title: 'How it works',
      script: '# The lens\n\nIt is old.\n\n- It turns\n- It shines',
      pictures: [],
    })
    expect(made.left).toEqual(['Left out: a table.', 'Left out: a footnote.'])
  })
  it('reads an .odt', async () => {
    const body =
      '<text:h>The lens</text:h><text:p>It is<text:s/>old.<text:note><text:p>A footnote.</text:p></text:note></text:p><text:list><text:list-item><text:p>It turns</text:p></text:list-item></text:list><table:table><text:p>x</text:p></table:table>'
    const bytes = await zipped({
      mimetype: 'application/vnd.oasis.opendocument.text',
      'content.xml': `<?xml version="1.0"?><office:document-content xmlns:office="o" xmlns:text="t" xmlns:table="b"><office:body><office:text>${body}</office:text></office:body></office:document-content>`,
    })
    expect(await importFile(bytes, 'lens.odt')).toEqual({
      title: 'lens',
      script: '# The lens\n\nIt is old.\n\n- It turns',
      left: ['Left out: a footnote.', 'Left out: a table.'],
      pictures: [],
    })
  })
  it("reads a .pptx: notes before text, the slide's picture for its scenes", async () => {
    const deck = new PptxGenJS()
    const first = deck.addSlide()
    first.addText('The lens', { placeholder: 'title' })
    first.addText('A bullet', { x: 1, y: 1, w: 3, h: 1 })
    first.addImage({ data: `image/png;base64,${PIXEL.toString('base64')}`, x: 1, y: 2, w: 4, h: 3 })
    first.addNotes('It bends the light. It is old.')
    deck.addSlide().addText('Only a text', { x: 1, y: 1, w: 3, h: 1 })
    deck.addSlide()
    const { script, pictures, left } = await importFile(
      (await deck.write({ outputType: 'nodebuffer' })) as Buffer,
      'deck.pptx',
    )
    expect(spoken(script)).toEqual(['It bends the light. It is old.', 'Only a text.'])
    expect(pictures).toHaveLength(1)
    expect(pictures[0]!.bytes.equals(PIXEL)).toBe(true)
    expect(script.slice(pictures[0]!.from, pictures[0]!.to)).toContain('It bends the light.')
    expect(left.join(' ')).toMatch(/a slide without text.*text on slides with notes/)
  })
  it('reads an .odp', async () => {
    const page =
      '<draw:page><draw:frame presentation:class="title"><draw:text-box><text:p>The lens</text:p></draw:text-box></draw:frame><draw:frame><draw:image xlink:href="Pictures/a.png"/></draw:frame><presentation:notes><draw:frame><draw:text-box><text:p>It bends the light.</text:p></draw:text-box></draw:frame></presentation:notes></draw:page>'
    const bytes = await zipped({
      mimetype: 'application/vnd.oasis.opendocument.presentation',
      'Pictures/a.png': PIXEL,
      'content.xml': `<office:document-content><office:body><office:presentation>${page}</office:presentation></office:body></office:document-content>`,
    })
    const made = await importFile(bytes, 'deck.odp')
    expect(made.script).toBe('# The lens\n\nIt bends the light.')
    expect(made.pictures).toHaveLength(1)
  })
  it('reads a saved article: the main text only', async () => {
    const article =
      'Twice a day the sea comes up this river, and twice a day it leaves again, for ten thousand years.'
    const { script, title, left } = await text(
      `<!doctype html><html><head><title>Tides</title></head><body><nav><a href="/">Home</a><a href="/shop">Shop our famous mugs and shirts and calendars and everything else you never needed but want. Shop our famous mugs and shirts and calendars and everything else.</a></nav><article><h2>The river</h2>${`<p>${article}</p>`.repeat(5)}<table><tr><td>1</td></tr></table></article><script>alert(1)</script></body></html>`,
      'a.html',
    )
    expect(title).toBe('Tides')
    expect(script).toContain(article)
    expect(script).not.toMatch(/Shop|alert/)
    expect(left.join(' ')).toMatch(/around the main text/)
  })
  it('reads a .pdf: paragraphs and larger lines as chapters', async () => {
    const made = await importFile(
      pdf([
        ['18 Tf', 700, 'The lens'],
        ['11 Tf', 660, 'It bends the light and it is very'],
        ['11 Tf', 646, 'old, they say.'],
        ['11 Tf', 610, 'A second paragraph begins here.'],
      ]),
      'lens.pdf',
    )
    expect(made.script).toBe(
      '# The lens\n\nIt bends the light and it is very old, they say.\n\nA second paragraph begins here.',
    )
  })
})

/** A PDF of one page with lines of Helvetica, written by hand (ISO 32000-1, from memory). */
function pdf(lines: [font: string, y: number, words: string][]): Buffer {
  const content = lines
    .map(([font, y, words]) => `BT /F1 ${font} 72 ${y} Td (${words}) Tj ET`)
    .join('\n')
  const objects = [
    '<< /Type /Catalog /Pages 2 0 R >>',
    '<< /Type /Pages /Kids [3 0 R] /Count 1 >>',
    '<< /Type /Page /Parent 2 0 R /MediaBox [0 0 595 842] /Contents 4 0 R /Resources << /Font << /F1 5 0 R >> >> >>',
    `<< /Length ${content.length} >>\nstream\n${content}\nendstream`,
    '<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>',
  ]
  let out = '%PDF-1.4\n'
  const places = objects.map((object, i) => {
    const at = out.length
    out += `${i + 1} 0 obj\n${object}\nendobj\n`
    return at
  })
  return Buffer.from(
    `${out}xref\n0 6\n0000000000 65535 f \n${places.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('')}trailer\n<< /Size 6 /Root 1 0 R >>\nstartxref\n${out.length}\n%%EOF`,
  )
}

describe('importFile, of bad files', () => {
  it.each<[string, () => Buffer | Promise<Buffer>, string, RegExp]>([
    ['an empty one', () => Buffer.alloc(0), 'a.docx', /no words to speak/],
    [
      'a jpeg called docx',
      () => Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 16, 74, 70]),
      'a.docx',
      /a picture \(jpeg\), whatever its name says/,
    ],
    ['one of 50 MB', () => Buffer.alloc(50 * 1024 * 1024, 65), 'a.docx', /50 MB, over the 40/],
    [
      'a zip bomb',
      () =>
        zipped({
          '[Content_Types].xml': '<Types/>',
          'word/document.xml': Buffer.alloc(64 * 1024 * 1024),
        }),
      'a.docx',
      /far larger than any script/,
    ],
    [
      'a docx cut off half-way',
      async () => (await zipped({ 'word/document.xml': 'x'.repeat(5000) })).subarray(0, 60),
      'a.docx',
      /damaged or was cut off/,
    ],
    [
      'a docx that is none inside',
      () => zipped({ 'word/document.xml': '<nothing' }),
      'a.docx',
      /damaged|no words/,
    ],
    ['an archive', () => zipped({ 'photo.txt': 'x' }), 'a.zip', /archive without a document/],
    [
      'an old document',
      () => Buffer.from([0xd0, 0xcf, 0x11, 0xe0, 0xa1, 0xb1, 0x1a, 0xe1]),
      'a.doc',
      /before 2007/,
    ],
    ['a pdf of pictures', () => pdf([]), 'scan.pdf', /holds pictures of pages/],
    ['a pdf cut off', () => Buffer.from('%PDF-1.4\n1 0 obj'), 'a.pdf', /damaged or was cut off/],
    ['zeros', () => Buffer.alloc(4000), 'a.txt', /not a text|no words/],
    [
      'a page without words',
      () => Buffer.from('<html><body><img src="x"></body></html>'),
      'a.html',
      /no words/,
    ],
  ])('says what is wrong with %s', async (_name, bytes, name, why) => {
    await expect((async () => importFile(await bytes(), name))()).rejects.toThrow(why)
  })
  it('takes nothing from a page for markup', async () => {
    const { script } = await text(
      '<html><body><p>Hello &lt;img src=x onerror=alert(1)&gt; there, this is narration.</p></body></html>',
      'a.html',
    )
    expect(script).toContain('<img src=x onerror=alert(1)>')
  })
  it('has a limit above what people write', () =>
    expect(IMPORT_BYTES_LIMIT).toBeGreaterThan(10_000_000))
})
