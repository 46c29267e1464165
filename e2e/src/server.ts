import { spawn, type ChildProcess } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import pg from 'pg'
import type { Browser, Page } from 'playwright-core'
import { afterAll, afterEach, beforeAll } from 'vitest'
import { giveBack, openBrowser } from './browser.ts'
import { leaveAsFound, shown } from './pages.ts'

const root = fileURLToPath(new URL('../..', import.meta.url))

/** The whole application on a database of its own, as a test or a picture needs it. */
export async function startApplication(): Promise<{
  base: string
  stop: () => Promise<void>
}> {
  const serverUrl = process.env.AMBREL_TEST_SERVER
  if (!serverUrl) throw new Error('AMBREL_TEST_SERVER is not set; run the tests with npm test')
  const name = `browser_${process.pid}_${Date.now()}`
  await onServer(serverUrl, `create database "${name}"`)
  const url = new URL(serverUrl)
  url.pathname = `/${name}`
  const child = spawn(process.execPath, [`${root}server/dist/main.js`], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: { ...process.env, DATABASE_URL: url.toString(), PORT: '0', LOG_LEVEL: 'fatal' },
  })
  const port = await listening(child)
  return {
    base: `http://127.0.0.1:${port}`,
    stop: async () => {
      const ended = new Promise((resolve) => child.once('exit', resolve))
      child.kill('SIGTERM')
      await ended
      await onServer(serverUrl, `drop database if exists "${name}" with (force)`)
    },
  }
}

function listening(child: ChildProcess): Promise<number> {
  return new Promise((resolve, reject) => {
    child.once('message', (message) => resolve((message as { port: number }).port))
    child.once('exit', (code) => reject(new Error(`the server ended with code ${code}`)))
  })
}

async function onServer(url: string, statement: string): Promise<void> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  await client.query(statement)
  await client.end()
}

/** The application and a browser for the tests of a file, started before and ended after them; pages end with their test, or are left for the next. */
export function useApplication(): { readonly base: string; readonly browser: Browser } {
  let application: Awaited<ReturnType<typeof startApplication>>
  let browser: Browser
  beforeAll(async () => {
    application = await startApplication()
    browser = await openBrowser()
  })
  afterEach(async ({ task }) => {
    const pages = browser.contexts().flatMap((context) => context.pages())
    const failed = task.result?.state === 'fail'
    if (failed) for (const page of pages) process.stderr.write(`${task.name}\n${await shown(page)}\n`)
    const leave = async (page: Page) => !failed && leaveAsFound(page)
    await Promise.all(browser.contexts().map((context) => giveBack(context, leave)))
  })
  afterAll(async () => {
    await browser?.close()
    await application?.stop()
  })
  return {
    get base() {
      return application.base
    },
    get browser() {
      return browser
    },
  }
}
