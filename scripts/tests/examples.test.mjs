import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'
import { describe, expect, it } from 'vitest'
import { ROOT } from '../prepare.mjs'

const SOURCES = 'core/src'
const files = readdirSync(join(ROOT, SOURCES), { recursive: true }).filter(
  (file) => file.endsWith('.ts') && !/\.(test|bench)\.ts$/.test(file),
)
/** What each file exports, by its path. */
const modules = Object.fromEntries(
  await Promise.all(files.map(async (file) => [file, await import(/* @vite-ignore */ `${SOURCES}/${file}`)])),
)

/** The exported functions of a file: their names, what their docstrings say, and their texts. */
function functionsOf(file) {
  const found = new Map()
  const text = readFileSync(join(ROOT, SOURCES, file), 'utf8')
  for (const statement of ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true).statements) {
    if (!ts.canHaveModifiers(statement)) continue
    if (!ts.getModifiers(statement)?.some(({ kind }) => kind === ts.SyntaxKind.ExportKeyword)) continue
    const name = nameOf(statement)
    if (name === null || found.has(name)) continue
    const words = ts
      .getJSDocCommentsAndTags(statement)
      .filter(ts.isJSDoc)
      .map((doc) => doc.getText())
      .at(-1)
    found.set(name, { file, name, words: plain(words ?? ''), body: statement.getText() })
  }
  return [...found.values()]
}

function nameOf(statement) {
  if (ts.isFunctionDeclaration(statement)) return statement.name.text
  if (!ts.isVariableStatement(statement)) return null
  const [{ name, initializer, type }] = statement.declarationList.declarations
  const made = initializer && ts.isArrowFunction(initializer)
  return made || type?.getText() === 'Change' ? name.getText() : null
}

const plain = (doc) =>
  doc
    .replace(/^\/\*\*|\*\/$/g, '')
    .replace(/^ *\* ?/gm, ' ')
    .replace(/\s+/g, ' ')
    .trim()

const all = files.flatMap(functionsOf)
const named = ({ file, name }) => `${file} ${name}`

/** What an example gives, and what it says it gives. */
function tried({ file, words }) {
  const scope = Object.assign({}, ...Object.values(modules), modules[file])
  const run = (code) => new Function(...Object.keys(scope), `return (${code})`)(...Object.values(scope))
  return [...words.matchAll(/@example (.+?) → (.+?)(?= @|$| Source:)/g)].map(([, code, says]) => ({
    code,
    gives: run(code),
    says: run(says),
  }))
}

/** The same, to the digits that are said; a whole number is said exactly. */
function agrees(gives, says) {
  if (typeof says === 'number' && typeof gives === 'number') {
    const decimals = (String(says).split('.')[1] ?? '').length
    return Math.abs(gives - says) <= (decimals > 0 ? 0.5000001 * 10 ** -decimals : 1e-9 * Math.abs(says))
  }
  if (typeof says !== 'object' || says === null || typeof gives !== 'object' || gives === null) return gives === says
  const keys = Object.keys(says)
  return keys.length === Object.keys(gives).length && keys.every((key) => agrees(gives[key], says[key]))
}

describe('the docstrings of the core', () => {
  it('stand at every function it exports', () => {
    expect(all.length).toBeGreaterThan(400)
    expect(all.filter(({ words }) => words === '').map(named)).toEqual([])
  })

  it('name the error a function throws', () => {
    const silent = all.filter(({ words, body }) => /throw new RangeError/.test(body) && !/@throws/.test(words))
    expect(silent.map(named)).toEqual([])
  })

  it('give an example of every formula that has a source', () => {
    const bare = all.filter(({ words }) => /Source:/.test(words) && !/@example/.test(words))
    expect(bare.map(named)).toEqual([])
  })

  it.each(all.filter(({ words }) => words.includes('@example')).map((each) => [named(each), each]))(
    '%s gives what its example says',
    (_, documented) => {
      const examples = tried(documented)
      expect(examples.length).toBeGreaterThan(0)
      for (const { code, gives, says } of examples)
        expect(agrees(gives, says), `${code} gives ${JSON.stringify(gives)}`).toBe(true)
    },
  )
})
