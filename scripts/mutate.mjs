import { spawnSync } from 'node:child_process'
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { parseArgs } from 'node:util'
import ts from 'typescript'
import { ROOT } from './prepare.mjs'

/**
 * `npm run mutate [-- --count 100 --seed 1 --part 1/2]`: changes one thing of the core at a time, runs the core's tests
 * that reach it, and says whether they noticed; a line of JSON each, the score at the end. Some changes make no
 * difference to anybody, so that all of them are never noticed. It writes into the files it tries: run it in a clone.
 */
const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '100' },
    seed: { type: 'string', default: '1' },
    part: { type: 'string', default: '1/1' },
  },
})
/** left out: they try everything at random for minutes, and would notice most */
const LONG_TESTS = ['ends', 'effects', 'changes', 'ruling'].map((name) => `contract/src/${name}.test.ts`)
const LONGEST_MS = 300_000
/** tables of words and of made-up parts, and what only names things */
const LEFT_OUT =
  /\.test\.ts$|\/(index|types|shelf|samples|appliances|climates|testDesigns|rule|registry)\.ts$|\/fields\//
const SWAPS = new Map([
  [ts.SyntaxKind.PlusToken, '-'],
  [ts.SyntaxKind.MinusToken, '+'],
  [ts.SyntaxKind.AsteriskToken, '/'],
  [ts.SyntaxKind.SlashToken, '*'],
  [ts.SyntaxKind.LessThanToken, '>='],
  [ts.SyntaxKind.GreaterThanToken, '<='],
  [ts.SyntaxKind.LessThanEqualsToken, '>'],
  [ts.SyntaxKind.GreaterThanEqualsToken, '<'],
  [ts.SyntaxKind.AmpersandAmpersandToken, '||'],
  [ts.SyntaxKind.BarBarToken, '&&'],
  [ts.SyntaxKind.EqualsEqualsEqualsToken, '!=='],
  [ts.SyntaxKind.ExclamationEqualsEqualsToken, '==='],
])
const EXTREMES = { min: 'max', max: 'min', floor: 'ceil', ceil: 'floor' }
const TENTH_MORE = 1.1

/** Every change that could be made to a file: where, and what stands there then. */
function changesOf(path) {
  const text = readFileSync(path, 'utf8')
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true)
  const found = []
  const add = (node, becomes) =>
    found.push({
      path,
      from: node.getStart(),
      to: node.getEnd(),
      becomes,
      line: source.getLineAndCharacterOfPosition(node.getStart()).line + 1,
      was: node.getText(),
    })
  const visit = (node) => {
    if (ts.isTypeNode(node) || ts.isImportDeclaration(node)) return
    if (ts.isBinaryExpression(node) && SWAPS.has(node.operatorToken.kind))
      add(node.operatorToken, SWAPS.get(node.operatorToken.kind))
    if (ts.isNumericLiteral(node) && Number(node.text) !== 0)
      add(
        node,
        String(
          Number.isInteger(Number(node.text)) && Number(node.text) < 10
            ? Number(node.text) + 1
            : Number(node.text) * TENTH_MORE,
        ),
      )
    if (ts.isPropertyAccessExpression(node) && node.expression.getText() === 'Math' && EXTREMES[node.name.text])
      add(node.name, EXTREMES[node.name.text])
    ts.forEachChild(node, visit)
  }
  visit(source)
  return found
}

/** Numbers from 0 to 1 that are the same for the same seed. Source: mulberry32. */
function drawing(seed) {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state)
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32
  }
}

/** Whether the tests that reach a file fail, or never end, with it as it stands. */
function noticed(path) {
  const args = ['vitest', 'related', path, '--run', '--project', 'core', '--bail', '1', '--maxWorkers', '1']
  const { status } = spawnSync('npx', [...args, ...LONG_TESTS.flatMap((path) => ['--exclude', path])], {
    cwd: ROOT,
    // which tests reach a file is told by what they import
    env: { ...process.env, AMBREL_FROM_SOURCES: '1' },
    stdio: 'ignore',
    timeout: LONGEST_MS,
    killSignal: 'SIGKILL',
  })
  return status !== 0
}

const [part, parts] = values.part.split('/').map(Number)
const draw = drawing(Number(values.seed))
const all = readdirSync(join(ROOT, 'core/src'), { recursive: true })
  .map((path) => `core/src/${path}`)
  .filter((path) => path.endsWith('.ts') && !LEFT_OUT.test(path))
  .sort()
  .flatMap((path) => changesOf(join(ROOT, path)))
const chosen = Array.from({ length: Number(values.count) }, () => all[Math.floor(draw() * all.length)]).filter(
  (_, i) => i % parts === part - 1,
)
let killed = 0
for (const { path, from, to, becomes, line, was } of chosen) {
  const text = readFileSync(path, 'utf8')
  writeFileSync(path, text.slice(0, from) + becomes + text.slice(to))
  const seen = noticed(path)
  writeFileSync(path, text)
  killed += seen ? 1 : 0
  process.stdout.write(`${JSON.stringify({ at: `${relative(ROOT, path)}:${line}`, was, becomes, noticed: seen })}\n`)
}
process.stdout.write(`${JSON.stringify({ of: chosen.length, outOf: all.length, noticed: killed })}\n`)
