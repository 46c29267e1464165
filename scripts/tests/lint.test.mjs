import { spawnSync } from 'node:child_process'
import { cpSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { afterAll, describe, expect, it } from 'vitest'
import { ROOT } from '../prepare.mjs'

/** A project with our lint and one fault of every kind that is our own. */
const project = mkdtempSync(join(tmpdir(), 'ambrel-lint-'))
afterAll(() => rmSync(project, { recursive: true, force: true }))
function put(path, text) {
  mkdirSync(dirname(join(project, path)), { recursive: true })
  writeFileSync(join(project, path), text)
}
for (const path of ['oxlint.config.js', 'scripts/chemistryRule.mjs']) cpSync(join(ROOT, path), join(project, path))

const ASKS = `export const asks = (one: string): boolean => one === 'lfp'\n`
const SWITCHES = `switch (one) { case 'agm': break }\n`

/** @returns each fault found, as its rule in its file */
function found() {
  const args = [join(ROOT, 'node_modules/oxlint/bin/oxlint'), '-c', 'oxlint.config.js', '-f', 'json']
  const { stdout } = spawnSync(process.execPath, args, { cwd: project, encoding: 'utf8' })
  return JSON.parse(stdout).diagnostics.map(({ code, filename }) => `${code} in ${filename}`)
}

describe('the lint', () => {
  it('refuses what nothing else of the checks would', () => {
    put('core/src/asks.ts', ASKS)
    put('core/src/asks.test.ts', ASKS)
    put('core/src/bank/chemistry.ts', ASKS)
    put('core/src/chance.ts', `export const chance = (): number => Math.random()\n`)
    put('core/src/clock.ts', `export const clock = (): number => Date.now()\n`)
    put('core/src/figures.ts', `import { show } from './units/format.ts'\nshow()\n`)
    put('core/src/page.ts', `window.alert('')\n`)
    put('contract/src/arrow.ts', `import { readFileSync } from 'node:fs'\nreadFileSync('')\n`)
    put('web/src/arrow.ts', `import pg from 'pg'\npg()\n`)
    put(
      'web/src/Part.vue',
      `<script setup lang="ts">\nconst one: string = 'x'\n${SWITCHES}</script>\n<template><p>{{ one }}</p></template>\n`,
    )
    put('web/src/told.ts', `console.log('')\n`)
    put('scripts/told.mjs', `console.log('')\n`)
    expect(found().toSorted()).toEqual([
      'ambrel(no-chemistry-name) in core/src/asks.ts',
      'ambrel(no-chemistry-name) in web/src/Part.vue',
      'eslint(no-console) in web/src/told.ts',
      'eslint(no-restricted-globals) in core/src/page.ts',
      'eslint(no-restricted-imports) in contract/src/arrow.ts',
      'eslint(no-restricted-imports) in core/src/figures.ts',
      'eslint(no-restricted-imports) in web/src/arrow.ts',
      'eslint(no-restricted-properties) in core/src/chance.ts',
      'eslint(no-restricted-properties) in core/src/clock.ts',
    ])
  })
})
