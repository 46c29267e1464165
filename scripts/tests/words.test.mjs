import { readdirSync, readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { fileURLToPath } from 'node:url'
import ts from 'typescript'
import { describe, expect, it } from 'vitest'

const ROOT = fileURLToPath(new URL('../..', import.meta.url))
const { parse } = createRequire(`${ROOT}web/package.json`)('vue/compiler-sfc')

/** docs/words.md names them. */
const never = readFileSync(`${ROOT}docs/words.md`, 'utf8')
  .split('\n')
  .find((line) => line.startsWith('Never, wherever'))
  .match(/`[^`]+`/g)
  .map((word) => word.slice(1, -1))
// abbreviations as they are, words however they begin and end
const NEVER = new RegExp(
  never
    .map((word) =>
      /^[A-Z0-9]+$/.test(word)
        ? `\\b${word}\\b`
        : `\\b[${word[0].toUpperCase()}${word[0]}]${word.slice(1)}(s|d|ed)?\\b`,
    )
    .join('|'),
)
/** what is searched by, cited or stored is not what is read */
const NOT_READ = new Set(['also', 'source', 'synonyms'])
/** a single word is a code, but where it names something */
const NAMES = new Set([
  'label',
  'name',
  'says',
  'word',
  'title',
  'help',
  'hint',
  'what',
  'placeholder',
  'aria-label',
  'alt',
])

/** Texts of a TypeScript source that somebody may read, with their lines. */
function* textsOfScript(file, source, firstLine = 1) {
  const tree = ts.createSourceFile(file, source, ts.ScriptTarget.Latest, true)
  const line = (node) => tree.getLineAndCharacterOfPosition(node.getStart()).line + firstLine
  function* walk(node) {
    if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isTypeNode(node)) return
    const key = ts.isPropertyAssignment(node) ? node.name.getText() : ''
    if (NOT_READ.has(key)) return
    if (ts.isStringLiteralLike(node) || ts.isTemplateHead(node) || ts.isTemplateMiddleOrTemplateTail(node)) {
      const named = ts.isPropertyAssignment(node.parent) && NAMES.has(node.parent.name.getText())
      if (named || /\s/.test(node.text.trim())) yield [line(node), node.text]
    }
    for (const child of node.getChildren(tree)) yield* walk(child)
  }
  yield* walk(tree)
}

/** Texts and named attributes of a template, and the texts of its expressions. */
function* textsOfTemplate(file, node) {
  if (node.type === 2) yield [node.loc.start.line, node.content]
  for (const prop of node.props ?? []) {
    if (prop.type === 6 && NAMES.has(prop.name) && prop.value) yield [prop.loc.start.line, prop.value.content]
    if (prop.type === 7 && prop.exp) yield* textsOfScript(file, `(${prop.exp.content})`, prop.loc.start.line)
  }
  if (node.type === 5) yield* textsOfScript(file, `(${node.content.content})`, node.loc.start.line)
  for (const child of node.children ?? []) if (typeof child === 'object') yield* textsOfTemplate(file, child)
}

function* textsOf(file) {
  const source = readFileSync(`${ROOT}${file}`, 'utf8')
  if (!file.endsWith('.vue')) return yield* textsOfScript(file, source)
  const { template, scriptSetup } = parse(source).descriptor
  if (scriptSetup) yield* textsOfScript(file, scriptSetup.content, scriptSetup.loc.start.line)
  if (template) yield* textsOfTemplate(file, template.ast)
}

const files = ['core', 'contract', 'web', 'cli', 'server']
  .flatMap((room) => readdirSync(`${ROOT}${room}/src`, { recursive: true }).map((file) => `${room}/src/${file}`))
  .filter((file) => /\.(ts|vue)$/.test(file) && !/\.test\.ts$|testDesigns/.test(file))

describe('the words of the program', () => {
  const texts = files.flatMap((file) => [...textsOf(file)].map(([line, text]) => ({ at: `${file}:${line}`, text })))

  it('are found where they are written', () => {
    expect(texts.length).toBeGreaterThan(5000)
    const all = texts.map(({ text }) => text.trim())
    expect(all).toContain('Edits kept in this browser')
    expect(all).toContain('Unequal strings overload the best one. Use fewer, larger units.')
    expect(['the SOC', 'Essential loads', 'two schools'].every((text) => NEVER.test(text))).toBe(true)
  })
  it('are none of those that docs/words.md never says', () => {
    expect(texts.filter(({ text }) => NEVER.test(text)).map(({ at, text }) => `${at} ${text.trim()}`)).toEqual([])
  })
})
