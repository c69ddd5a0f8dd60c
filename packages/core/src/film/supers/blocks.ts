import { itemAt } from '../../faults/certain.ts'
import { type Drawn, type DrawnForm, type Figure, figureText } from '../../script/drawn.ts'
import type { Mark } from '../lettering/mark.ts'
import { ascentOf, textWidth, type Type } from '../lettering/measure.ts'
import { arrow, disc, rectangle, ring } from '../lettering/shapes.ts'
import { mapBlock } from './map-block.ts'
import { markBlock } from './mark-block.ts'
import {
  accentOf,
  type Block,
  drawnShape,
  fadeOf,
  grounded,
  inkOf,
  LAYERS,
  letters,
  lineHeight,
  linesFor,
  type Pen,
  samplesOf,
  stacked,
  typeOf,
  widthOfLines,
} from './pen.ts'
import { waveBlock } from './wave-block.ts'

type DrawnOf<F extends DrawnForm> = Extract<Drawn, { form: F }>

/** Figures count up for so long, in steps of so many ms. */
const COUNT_MS = 1100
const STEP_MS = 40
/** Between two things that come by themselves. */
const APART_MS = 700

const MOST_LINES = 4

/** Words alone: a heading, a label, a key word, a call. */
export function wordsBlock(pen: Pen, words: string): Block {
  const type = wholeWords(pen, words)
  return grounded(
    pen,
    stacked(pen, [{ lines: linesFor(pen, words, type, pen.widest, MOST_LINES), type }], 0),
  )
}

/** A word is set smaller rather than parted, down to this share; by eye. */
const SMALLEST_WORD = 0.45

/** Letters in which the longest word stands in one line, where that can be. */
function wholeWords(pen: Pen, words: string): Type {
  const type = typeOf(pen)
  const written = pen.look.capitals ? words.toLocaleUpperCase() : words
  const longest = Math.max(...written.split(/\s+/).map((word) => textWidth(word, type)))
  const fits = Math.min(1, pen.widest / longest)
  return fits < SMALLEST_WORD ? type : { ...type, size: type.size * fits }
}

/** Values a figure passes on its way, each with the ms it is reached at. */
export function countedUp(figure: Figure): { value: number; atMs: number }[] {
  const isYear =
    figure.decimals === 0 && !figure.after && !figure.before && isYearLike(figure.value)
  const from = isYear ? figure.value - 30 : 0
  const steps = COUNT_MS / STEP_MS
  const passed = Array.from({ length: Math.floor(steps) }, (_, i) => {
    const left = 1 - i / steps
    return { value: from + (figure.value - from) * (1 - left ** 3), atMs: i * STEP_MS }
  })
  const all = [...passed, { value: figure.value, atMs: COUNT_MS }]
  // What would be written alike twice is written once.
  return all.filter(
    ({ value }, i) =>
      i === 0 || figureText(figure, value) !== figureText(figure, itemAt(all, i - 1).value),
  )
}

const isYearLike = (value: number) => value >= 1000 && value <= 2100

/** One line that is written anew as its figure counts up. */
function counting(pen: Pen, figure: Figure, put: (written: string) => Mark, start: number): Mark[] {
  const passed = countedUp(figure)
  return passed.map(({ value, atMs }, i): Mark => {
    const mark = put(figureText(figure, value))
    const next = passed[i + 1]
    const { inMs, outMs } = fadeOf(pen)
    const { rise: _rise, pop: _pop, typedMs: _typed, ...still } = mark
    return {
      ...still,
      start: Math.min(pen.end, start + samplesOf(atMs)),
      end: next ? Math.min(pen.end, start + samplesOf(next.atMs)) : pen.end,
      fade: { inMs: i === 0 ? Math.min(inMs, STEP_MS) : 0, outMs: next ? 0 : outMs },
    }
  })
}

function numberBlock(pen: Pen, { figure }: DrawnOf<'number'>): Block {
  const small = typeOf(pen, 0.36)
  const before = /^[£$€¥₹]$|^[^\p{L}]{1,2}$/u.test(figure.before) ? figure.before : ''
  // A sign of a unit stands beside its figure, words below it.
  const beside = /^(?:%|°[CF]?|‰)/.exec(figure.after)?.[0] ?? ''
  const rest = figure.after.slice(beside.length).trim()
  const above = before ? '' : figure.before
  const whole = (written: string) => `${before}${written}${beside ? `\u00a0${beside}` : ''}`
  const type = fitting(pen, whole(figureText(figure)))
  const lead = linesFor(pen, above, small, pen.widest, 2)
  const under = linesFor(pen, rest, small, pen.widest, 3)
  const block = stacked(
    pen,
    [
      { lines: lead, type: small },
      { lines: [whole(figureText(figure))], type },
      { lines: under, type: small },
    ],
    -0.06 * type.size,
  )
  const settled = itemAt(block.marks, lead.length)
  const counted = counting(
    pen,
    figure,
    (written) =>
      settled.body.kind === 'text'
        ? { ...settled, colour: accentOf(pen), body: { ...settled.body, text: whole(written) } }
        : settled,
    pen.start,
  )
  return grounded(pen, {
    ...block,
    marks: [...block.marks.filter((mark) => mark !== settled), ...counted],
  })
}

/** Letters as large as the look has them, or as the room allows. */
function fitting(pen: Pen, text: string) {
  const type = typeOf(pen)
  return { ...type, size: Math.min(type.size, (type.size * pen.widest) / textWidth(text, type)) }
}

function barsBlock(pen: Pen, { bars }: DrawnOf<'bars'>): Block {
  const type = typeOf(pen, 0.36)
  const gap = type.size * 0.5
  const labels = bars.map(({ label }) => linesFor(pen, label, type, pen.widest * 0.34, 1))
  const labelWidth = Math.max(0, ...labels.map((lines) => widthOfLines({ lines, type })))
  const written = bars.map(({ figure }) => writtenFigure(figure))
  const valueWidth = Math.max(...written.map((text) => textWidth(text, type)))
  const most = Math.max(...bars.map(({ figure }) => figure.value))
  const room = Math.min(pen.widest, 980 * pen.unit * pen.scale)
  const long = Math.max(type.size, room - labelWidth - valueWidth - 2 * gap)
  let at = pen.start
  const marks = bars.flatMap(({ label, figure }, i): Mark[] => {
    const start = pen.spokenAt(label) ?? pen.spokenAt(figureText(figure)) ?? at
    at = Math.max(at, start) + samplesOf(i === bars.length - 1 ? 0 : APART_MS / 2)
    const own = { ...pen, start: Math.min(start, pen.end - 1) }
    const y = i * lineHeight(type) * 1.35
    const width = Math.max(2 * pen.unit, (long * figure.value) / most)
    return [
      ...letters(own, { lines: itemAt(labels, i), type, align: 'right' }, 0, y, labelWidth),
      drawnShape(
        own,
        rectangle(width, type.size * 0.62),
        { x: labelWidth + gap, y: y + ascentOf(type) - type.size * 0.56 },
        { grow: { way: 'across', afterMs: 0, ms: 900 }, colour: accentOf(pen) },
      ),
      ...letters(
        own,
        { lines: [itemAt(written, i)], type, align: 'left' },
        labelWidth + gap + width + gap * 0.6,
        y,
        valueWidth,
      ),
    ]
  })
  return grounded(pen, { marks, width: room, height: bars.length * lineHeight(type) * 1.35 })
}

const writtenFigure = (figure: Figure) =>
  [
    figure.before,
    figureText(figure) + (/^[%°‰]/.test(figure.after) ? `\u00a0${figure.after}` : ''),
    /^[%°‰]/.test(figure.after) ? '' : figure.after,
  ]
    .filter(Boolean)
    .join(' ')

function shareBlock(pen: Pen, { part, written, label }: DrawnOf<'share'>): Block {
  const radius = typeOf(pen).size * 0.85
  const width = radius * 0.2
  const small = typeOf(pen, 0.4)
  const steps = COUNT_MS / STEP_MS
  const whole = ring(radius, width, 1)
  const marks: Mark[] = [
    drawnShape(pen, whole, { x: 0, y: 0 }, { colour: inkOf(pen), opacity: 0.25 }),
  ]
  for (let i = 1; i <= steps; i++) {
    const shape = ring(radius, width, part * (1 - (1 - i / steps) ** 3))
    const isLast = i + 1 > steps
    marks.push(
      drawnShape(
        pen,
        shape,
        { x: shape.x, y: shape.y },
        {
          layer: LAYERS.shape,
          start: Math.min(pen.end, pen.start + samplesOf((i - 1) * STEP_MS)),
          end: isLast ? pen.end : Math.min(pen.end, pen.start + samplesOf(i * STEP_MS)),
          fade: { inMs: 0, outMs: isLast ? fadeOf(pen).outMs : 0 },
        },
      ),
    )
  }
  const inner = { ...typeOf(pen, 0.42) }
  const widest = 2 * (radius - width) * 0.86
  const type = {
    ...inner,
    size: Math.min(inner.size, (inner.size * widest) / textWidth(written, inner)),
  }
  marks.push(
    ...letters(
      pen,
      { lines: [written], type, align: 'centre' },
      0,
      radius - ascentOf(type) * 0.64,
      2 * radius,
    ),
  )
  const side = radius * 2 + small.size * 0.7
  const beside = linesFor(pen, label, small, Math.max(pen.widest - side, small.size * 4), 3)
  const height = beside.length * lineHeight(small)
  marks.push(
    ...letters(
      pen,
      { lines: beside, type: small, align: 'left' },
      side,
      radius - height / 2,
      widthOfLines({ lines: beside, type: small }),
    ),
  )
  return grounded(pen, { marks, width: side, height: 2 * radius })
}

/** Starts of things that come one after another: with their words, else a while apart. */
function comings(pen: Pen, texts: readonly string[]): number[] {
  let last = pen.start - samplesOf(APART_MS)
  const left = (i: number) => (texts.length - i) * samplesOf(APART_MS)
  return texts.map((text, i) => {
    const spoken = pen.spokenAt(text)
    const latest = Math.max(pen.start, pen.end - left(i))
    last = Math.min(spoken ?? last + samplesOf(APART_MS), latest)
    return Math.max(pen.start, last)
  })
}

function listBlock(pen: Pen, { items }: DrawnOf<'list'>): Block {
  const type = typeOf(pen, 0.46)
  const indent = type.size * 0.62
  const starts = comings(pen, items)
  const marks: Mark[] = []
  let y = 0
  let widest = 0
  items.forEach((item, i) => {
    const lines = linesFor(pen, item, type, Math.min(pen.widest, 900 * pen.unit) - indent, 2)
    const own = { ...pen, start: itemAt(starts, i) }
    const width = widthOfLines({ lines, type })
    marks.push(
      drawnShape(own, rectangle(type.size * 0.3, Math.max(2 * pen.unit, type.size * 0.07)), {
        x: 0,
        y: y + ascentOf(type) * 0.72,
      }),
      ...letters(own, { lines, type, align: 'left' }, indent, y, width),
    )
    widest = Math.max(widest, indent + width)
    y += lines.length * lineHeight(type) + type.size * 0.28
  })
  return grounded(pen, { marks, width: widest, height: y })
}

function yearsBlock(pen: Pen, { years }: DrawnOf<'years'>): Block {
  const type = typeOf(pen, 0.44)
  const small = typeOf(pen, 0.3)
  const starts = comings(
    pen,
    years.map(({ year }) => year),
  )
  const dot = type.size * 0.17
  const labelled = years.map(({ year, label }) => ({
    year: [year],
    label: linesFor(pen, label, small, Math.max(small.size * 5, pen.widest / 4), 3),
  }))
  const column = Math.max(
    ...labelled.map(({ year, label }) =>
      Math.max(widthOfLines({ lines: year, type }), widthOfLines({ lines: label, type: small })),
    ),
  )
  const apart = column + small.size * 0.9
  const isAcross = apart * years.length <= pen.widest
  return isAcross ? across() : down()

  function across(): Block {
    const line = lineHeight(type) + dot
    const marks = labelled.flatMap(({ year, label }, i): Mark[] => {
      const own = { ...pen, start: itemAt(starts, i) }
      const x = i * apart
      return [
        ...letters(own, { lines: year, type, align: 'left' }, x, 0, column),
        drawnShape(own, disc(dot), { x, y: line - dot }),
        ...letters(own, { lines: label, type: small, align: 'left' }, x, line + dot * 2, column),
        ...(i === 0
          ? []
          : [
              drawnShape(
                own,
                rectangle(apart - 2 * dot, Math.max(2 * pen.unit, dot * 0.34)),
                { x: x - apart + 2 * dot, y: line - dot * 0.17 },
                { grow: { way: 'across', afterMs: 0, ms: 500 }, colour: inkOf(pen) },
              ),
            ]),
      ]
    })
    return grounded(pen, { marks, width: apart * years.length, height: 0 })
  }

  function down(): Block {
    const x = dot * 2 + type.size * 0.5
    const yearWidth = Math.max(...labelled.map(({ year }) => widthOfLines({ lines: year, type })))
    const beside = x + yearWidth + small.size * 0.8
    let y = 0
    const marks = years.flatMap(({ year, label }, i): Mark[] => {
      const own = { ...pen, start: itemAt(starts, i) }
      const lines = linesFor(pen, label, small, Math.max(small.size * 4, pen.widest - beside), 2)
      const height = Math.max(lineHeight(type), lines.length * lineHeight(small))
      const top = y
      y += height + type.size * 0.35
      const middle = top + lineHeight(type) / 2
      return [
        drawnShape(own, disc(dot), { x: 0, y: middle - dot }),
        ...letters(own, { lines: [year], type, align: 'left' }, x, top, yearWidth),
        ...letters(
          own,
          { lines, type: small, align: 'left' },
          beside,
          lines.length > 1 ? top : middle - lineHeight(small) * 0.46,
          0,
        ),
        ...(i === years.length - 1
          ? []
          : [
              drawnShape(
                own,
                rectangle(Math.max(2 * pen.unit, dot * 0.34), height + type.size * 0.35 - 2 * dot),
                { x: dot * 0.83, y: middle + dot },
                { colour: inkOf(pen) },
              ),
            ]),
      ]
    })
    return grounded(pen, { marks, width: pen.widest, height: y })
  }
}

function changeBlock(pen: Pen, { from, to }: DrawnOf<'change'>): Block {
  const type = typeOf(pen, 0.66)
  const [first, second] = [from, to].map((text) => ({
    lines: linesFor(pen, text, type, pen.widest, 2),
    type,
  })) as [{ lines: string[]; type: typeof type }, { lines: string[]; type: typeof type }]
  const gap = type.size * 0.35
  const long = type.size * 1.1
  const thick = Math.max(3 * pen.unit, type.size * 0.07)
  const after = {
    ...pen,
    start: Math.min(pen.spokenAt(to) ?? pen.start + samplesOf(900), pen.end - 1),
  }
  const [w1, w2] = [widthOfLines(first), widthOfLines(second)]
  const isAcross =
    w1 + w2 + long + 2 * gap <= pen.widest && first.lines.length + second.lines.length === 2
  const grow = { way: 'across', afterMs: 0, ms: 500 } as const
  const lit = { ...second, colour: accentOf(pen) }
  if (isAcross) {
    const shape = arrow(long, thick)
    const middle = ascentOf(type) * 0.68
    return grounded(pen, {
      marks: [
        ...letters(pen, { ...first, align: 'left' }, 0, 0, w1),
        drawnShape(after, shape, { x: w1 + gap, y: middle - shape.height / 2 }, { grow }),
        ...letters(after, { ...lit, align: 'left' }, w1 + long + 2 * gap, 0, w2),
      ],
      width: w1 + w2 + long + 2 * gap,
      height: lineHeight(type),
    })
  }
  const shape = arrow(long * 0.7, thick, 'down')
  const top = first.lines.length * lineHeight(type)
  return grounded(pen, {
    marks: [
      ...letters(pen, { ...first, align: 'left' }, 0, 0, w1),
      drawnShape(after, shape, { x: type.size * 0.2, y: top + gap * 0.3 }, {}),
      ...letters(after, { ...lit, align: 'left' }, 0, top + gap * 0.6 + shape.height, w2),
    ],
    width: Math.max(w1, w2),
    height: top * 2,
  })
}

function quoteBlock(pen: Pen, { words, source }: DrawnOf<'quote'>): Block {
  const type = typeOf(pen)
  const small = typeOf(pen, 0.62)
  const room = Math.min(pen.widest, 1150 * pen.unit * pen.scale)
  const bar = Math.max(4 * pen.unit, type.size * 0.08)
  const indent = bar + type.size * 0.4
  const block = stacked(
    { ...pen, align: 'left' },
    [
      { lines: linesFor(pen, `\u201c${words}\u201d`, type, room - indent, 6), type },
      { lines: linesFor(pen, source, small, room - indent, 2), type: small, colour: accentOf(pen) },
    ],
    type.size * 0.3,
  )
  return grounded(pen, withBar(pen, block, bar, indent))
}

/** A bar of the accent before a block, as high as the block. */
function withBar(pen: Pen, block: Block, bar: number, indent: number): Block {
  return {
    width: block.width + indent,
    height: block.height,
    marks: [
      drawnShape(
        pen,
        rectangle(bar, block.height),
        { x: 0, y: 0 },
        { grow: { way: 'up', afterMs: 0, ms: 350 } },
      ),
      ...block.marks.map((mark) => ({ ...mark, x: mark.x + indent })),
    ],
  }
}

function nameBlock(pen: Pen, { name, what }: DrawnOf<'name'>): Block {
  const type = typeOf(pen)
  const small = typeOf(pen, 0.66)
  const bar = Math.max(4 * pen.unit, type.size * 0.1)
  const indent = bar + type.size * 0.35
  const room = pen.widest - indent
  const block = stacked(
    { ...pen, align: 'left' },
    [
      { lines: linesFor(pen, name, type, room, 2), type },
      { lines: linesFor(pen, what, small, room, 2), type: small },
    ],
    type.size * 0.08,
  )
  return grounded(pen, withBar(pen, block, bar, indent))
}

const BUILDERS: {
  [F in Exclude<DrawnForm, 'point' | 'map' | 'mark' | 'wave'>]: (
    pen: Pen,
    drawn: DrawnOf<F>,
  ) => Block
} = {
  super: (pen, { words }) => wordsBlock(pen, words),
  key: (pen, { words }) => wordsBlock(pen, words),
  call: (pen, { words }) => wordsBlock(pen, words),
  number: numberBlock,
  bars: barsBlock,
  share: shareBlock,
  years: yearsBlock,
  list: listBlock,
  change: changeBlock,
  quote: quoteBlock,
  name: nameBlock,
}

const EMPTY: Block = { marks: [], width: 0, height: 0 }

/** What a direction asks for, drawn; of a label that points somewhere, its words. */
export function drawnBlock(pen: Pen, drawn: Drawn): Block {
  if (drawn.form === 'map') return pen.map ? mapBlock(pen, pen.map) : EMPTY
  if (drawn.form === 'point') return wordsBlock(pen, drawn.words)
  if (drawn.form === 'mark') return markBlock(pen, drawn)
  if (drawn.form === 'wave') return waveBlock(pen, drawn.kind)
  const build = BUILDERS[drawn.form] as (pen: Pen, drawn: Drawn) => Block
  return build(pen, drawn)
}
