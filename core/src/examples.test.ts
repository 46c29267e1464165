import ts from 'typescript'
import { describe, expect, it } from 'vitest'

declare global {
  interface ImportMeta {
    glob<T>(paths: string[], options: { eager: true; query?: string; import?: string }): Record<string, T>
  }
}

const modules = import.meta.glob<Record<string, unknown>>(['./**/*.ts', '!./**/*.test.ts', '!./**/*.bench.ts'], {
  eager: true,
})
const sources = import.meta.glob<string>(['./**/*.ts', '!./**/*.test.ts', '!./**/*.bench.ts'], {
  eager: true,
  query: '?raw',
  import: 'default',
})

interface Documented {
  file: string
  name: string
  words: string
  body: string
}

/** The exported functions of a file with what their docstrings say. */
function functionsOf(file: string, text: string): Documented[] {
  const found = new Map<string, Documented>()
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

function nameOf(statement: ts.Statement): string | null {
  if (ts.isFunctionDeclaration(statement)) return statement.name!.text
  if (!ts.isVariableStatement(statement)) return null
  const [{ name, initializer, type }] = statement.declarationList.declarations
  const made = initializer && ts.isArrowFunction(initializer)
  return made || type?.getText() === 'Change' ? name.getText() : null
}

const plain = (doc: string) =>
  doc
    .replace(/^\/\*\*|\*\/$/g, '')
    .replace(/^ *\* ?/gm, ' ')
    .replace(/\s+/g, ' ')
    .trim()

const all = Object.entries(sources).flatMap(([file, text]) => functionsOf(file, text))
const named = ({ file, name }: Documented) => `${file} ${name}`

/** What an example gives, and what it says it gives. */
function tried({ file, words }: Documented): { code: string; gives: unknown; says: unknown }[] {
  const scope = Object.assign({}, ...Object.values(modules), modules[file])
  const run = (code: string): unknown =>
    new Function(...Object.keys(scope), `return (${code})`)(...Object.values(scope))
  return [...words.matchAll(/@example (.+?) → (.+?)(?= @|$| Source:)/g)].map(([, code, says]) => ({
    code,
    gives: run(code),
    says: run(says),
  }))
}

/** The same, to the digits that are said; a whole number is said exactly. */
function agrees(gives: unknown, says: unknown): boolean {
  if (typeof says === 'number' && typeof gives === 'number') {
    const decimals = (String(says).split('.')[1] ?? '').length
    return Math.abs(gives - says) <= (decimals > 0 ? 0.5000001 * 10 ** -decimals : 1e-9 * Math.abs(says))
  }
  if (typeof says !== 'object' || says === null || typeof gives !== 'object' || gives === null) return gives === says
  const keys = Object.keys(says)
  return (
    keys.length === Object.keys(gives).length &&
    keys.every((key) => agrees((gives as Record<string, unknown>)[key], (says as Record<string, unknown>)[key]))
  )
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

  it.each(all.filter(({ words }) => words.includes('@example')).map((each) => [named(each), each] as const))(
    '%s gives what its example says',
    (_, documented) => {
      const examples = tried(documented)
      expect(examples.length).toBeGreaterThan(0)
      for (const { code, gives, says } of examples)
        expect(agrees(gives, says), `${code} gives ${JSON.stringify(gives)}`).toBe(true)
    },
  )
})
