/**
 * `npm run measure:house`: how easily the code is read, in numbers. Product code and tests apart;
 * the stand-ins are counted with the product but for `!`, of which they are named on their own.
 */
import { execFileSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import ts from 'typescript'

interface Source {
  path: string
  lines: string[]
  tree: ts.SourceFile
}

const WIDE = 120
const UNIT_OR_EDGE = new RegExp(
  [
    String.raw`\b(?:samples?|seconds?|minutes?|ms|frames?|pixels?|px|hz|db|lufs|bytes|characters|words)\b`,
    String.raw`\b\d+ (?:to|–|or|and) \d+`,
    String.raw`\b(?:empty|undefined|null|none|nothing|otherwise|unless|without|at most|at least)\b`,
    '@throws|@example|@returns',
  ].join('|'),
  'i',
)

const tracked = execFileSync('git', ['ls-files', '*.ts', '*.vue', '*.mjs'], { encoding: 'utf8' })
const isTest = (path: string) => /\.test\.ts$|^e2e\/|\/test\/|\/test-sets\//.test(path)

/** Of a component its script, each line where it stands in the file. */
function scriptOf(path: string, text: string): string {
  if (!path.endsWith('.vue')) return text
  const found = /<script[^>]*>([\s\S]*?)<\/script>/.exec(text)
  if (!found) return ''
  const above = text.slice(0, found.index).split('\n').length - 1
  return '\n'.repeat(above) + (found[1] ?? '')
}

function read(path: string): Source {
  const text = readFileSync(path, 'utf8')
  const tree = ts.createSourceFile(`${path}.ts`, scriptOf(path, text), ts.ScriptTarget.Latest, true)
  return { path, lines: text.trimEnd().split('\n'), tree }
}

function walk(node: ts.Node, visit: (node: ts.Node) => void) {
  visit(node)
  ts.forEachChild(node, (child) => walk(child, visit))
}

/** Middle, nine of ten and the most. */
function spread(numbers: number[]): string {
  const sorted = [...numbers].sort((a, b) => a - b)
  const at = (share: number) =>
    sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]
  return `median ${at(0.5)}, 90 % ${at(0.9)}, longest ${sorted.at(-1)}`
}

function linesOf(node: ts.Node, tree: ts.SourceFile): number {
  const from = tree.getLineAndCharacterOfPosition(node.getStart(tree)).line
  return tree.getLineAndCharacterOfPosition(node.getEnd()).line - from + 1
}

const hasBody = (node: ts.Node) => ts.isFunctionLike(node) && 'body' in node && Boolean(node.body)

function isCast(node: ts.Node): boolean {
  return ts.isAsExpression(node) && node.type.getText() !== 'const'
}

function count(sources: Source[], wanted: (node: ts.Node) => boolean): number {
  let found = 0
  for (const { tree } of sources) walk(tree, (node) => void (found += wanted(node) ? 1 : 0))
  return found
}

function report(name: string, sources: Source[]) {
  const functions: { lines: number; at: string }[] = []
  for (const { path, tree } of sources) {
    walk(tree, (node) => {
      if (!hasBody(node)) return
      const line = tree.getLineAndCharacterOfPosition(node.getStart(tree)).line + 1
      functions.push({ lines: linesOf(node, tree), at: `${path}:${line}` })
    })
  }
  const columns = sources.flatMap(({ lines }) => lines.map((line) => line.length))
  const files = sources.map(({ lines }) => lines.length)
  const outside = sources.filter(({ path }) => !path.startsWith('packages/standins'))
  const bangs = count(outside, ts.isNonNullExpression)
  const within = count(sources, ts.isNonNullExpression) - bangs
  console.log(`\n${name}: ${sources.length} files, ${columns.length} lines`)
  console.log(`  files      ${spread(files)}`)
  console.log(`  functions  ${spread(functions.map(({ lines }) => lines))} lines`)
  console.log(`  columns    ${spread(columns.filter((length) => length > 0))}`)
  const wide = (limit: number) => columns.filter((length) => length > limit).length
  console.log(
    `  wide       ${wide(100)} over 100, ${wide(WIDE)} over ${WIDE}, ${wide(200)} over 200`,
  )
  console.log(
    `  non-null ! ${bangs}, and ${within} in the stand-ins; casts ${count(sources, isCast)}`,
  )
  if (process.argv.includes('--longest')) {
    const longest = functions.sort((a, b) => b.lines - a.lines).slice(0, 25)
    for (const { lines, at } of longest) console.log(`    ${lines}  ${at}`)
  }
}

/**
 * Exported functions of core, and those whose comment tells a unit, a range, an empty case or an
 * error.
 */
function documented(sources: Source[]) {
  const bare: string[] = []
  let all = 0
  for (const { path, tree } of sources) {
    for (const statement of tree.statements) {
      const exported =
        ts.canHaveModifiers(statement) &&
        ts.getModifiers(statement)?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword)
      if (!exported || !isFunctionStatement(statement)) continue
      all++
      const comment = ts
        .getJSDocCommentsAndTags(statement)
        .map((doc) => doc.getText(tree))
        .join(' ')
      if (!UNIT_OR_EDGE.test(comment))
        bare.push(`${path}: ${statement.getText(tree).split('\n')[0]}`)
    }
  }
  console.log(
    `\nexported functions of core: ${all}; ${(((all - bare.length) / all) * 100).toFixed(0)} % tell a unit, range, empty case or error`,
  )
  if (process.argv.includes('--bare')) console.log(bare.join('\n'))
}

function isFunctionStatement(statement: ts.Statement): boolean {
  if (ts.isFunctionDeclaration(statement)) return true
  if (!ts.isVariableStatement(statement)) return false
  return statement.declarationList.declarations.some(
    ({ initializer }) =>
      initializer && (ts.isArrowFunction(initializer) || ts.isFunctionExpression(initializer)),
  )
}

const sources = tracked
  .trim()
  .split('\n')
  .filter((path) => existsSync(path))
  .map(read)
const product = sources.filter(({ path }) => path.startsWith('packages/') && !isTest(path))
report('product', product)
report(
  'tests',
  sources.filter(({ path }) => isTest(path)),
)
report(
  'scripts',
  sources.filter(({ path }) => path.startsWith('scripts/')),
)
documented(product.filter(({ path }) => path.startsWith('packages/core/')))
