import { spawn, type ChildProcess } from 'node:child_process'
import { fileURLToPath } from 'node:url'
import pg from 'pg'
import type { Browser } from 'playwright-core'
import { afterAll, afterEach, beforeAll } from 'vitest'
import { closeKept, giveBack, openBrowser } from './browser.ts'
import { leaveAsFound, shown } from './pages.ts'

const root = fileURLToPath(new URL('../..', import.meta.url))

interface Application {
  base: string
  /** takes what was made since it began out of its database, and brings the demos back; says whether pages know of what is gone */
  forget: () => Promise<boolean>
  stop: () => Promise<void>
}

/** What was done to designs is a version of theirs, and the one after it is as they were. */
const BRING_BACK = `
  update design
  set name = was.name, variant = was.variant, place_label = was.place_label, document = was.document,
    version = version + 1, deleted_at = null, archived_at = null
  from jsonb_to_recordset($1) as was (id uuid, name text, variant text, place_label text, document jsonb)
  where design.id = was.id
    and (design.document <> was.document or deleted_at is not null or archived_at is not null)`

/** The whole application on a database of its own, as tests or a benchmark need it. */
export async function startApplication(): Promise<Application> {
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
  const { rows: demos } = await onServer(url.href, 'select id, name, variant, place_label, document from design')
  return {
    base: `http://127.0.0.1:${port}`,
    forget: async () => {
      await onServer(url.href, 'delete from design where not id = any($1)', [demos.map(({ id }) => id)])
      await onServer(url.href, BRING_BACK, [JSON.stringify(demos)])
      const parts = await onServer(url.href, 'delete from part where own')
      const hours = await onServer(url.href, 'delete from weather_file')
      return (parts.rowCount ?? 0) + (hours.rowCount ?? 0) > 0
    },
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

async function onServer(url: string, statement: string, values?: unknown[]): Promise<pg.QueryResult<{ id: string }>> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    return await client.query(statement, values)
  } finally {
    await client.end()
  }
}

/** What the files of tests that a process runs one after the other share: it ends with the process. */
let running: Promise<{ application: Application; browser: Browser }> | null = null
const start = async () => ({ application: await startApplication(), browser: await openBrowser() })

/**
 * The application and a browser for the tests of a file, which the files before it may have used; pages end with their
 * test, or are left for the next.
 */
export function useApplication(): { readonly base: string; readonly browser: Browser } {
  let application: Application
  let browser: Browser
  beforeAll(async () => {
    running ??= start()
    ;({ application, browser } = await running)
  })
  afterEach(async ({ task }) => {
    const pages = browser.contexts().flatMap((context) => context.pages())
    const failed = task.result?.state === 'fail'
    if (failed) for (const page of pages) process.stderr.write(`${task.name}\n${await shown(page)}\n`)
    await Promise.all(browser.contexts().map((context) => (failed ? context.close() : giveBack(context, leaveAsFound))))
  })
  afterAll(async () => {
    // not there where it did not start
    if (await application?.forget()) await closeKept()
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
