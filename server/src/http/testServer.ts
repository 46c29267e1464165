import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import pg from 'pg'
import pino from 'pino'
import { createApp } from '../app.ts'
import { openDatabase, type Database } from '../db/database.ts'
import { seed } from '../seed/seed.ts'

export interface Answer<T> {
  status: number
  body: T
}

/** The API on a database of its own, seeded, on a free port; for tests. */
export class TestServer {
  private constructor(
    readonly db: Database,
    readonly base: string,
    private readonly http: Server,
    private readonly close: () => Promise<void>,
    readonly database: string,
  ) {}

  /** @param through makes another way to the database, to come between */
  static async start(through: (url: string) => string | Promise<string> = (url) => url): Promise<TestServer> {
    const serverUrl = process.env.AMBREL_TEST_SERVER
    if (!serverUrl) throw new Error('AMBREL_TEST_SERVER is not set; run the tests with npm test')
    const database = `api_${process.pid}_${Date.now()}_${Math.floor(performance.now())}`
    await onServer(`create database "${database}"`)
    const url = new URL(serverUrl)
    url.pathname = `/${database}`
    const { db, answers, close } = await openDatabase(await through(url.toString()))
    await seed(db)
    const http = createServer(createApp({ db, answers, logger: pino({ level: 'silent' }) }))
    await new Promise<void>((resolve) => http.listen(0, '127.0.0.1', resolve))
    const base = `http://127.0.0.1:${(http.address() as AddressInfo).port}/api`
    return new TestServer(db, base, http, close, database)
  }

  async stop(): Promise<void> {
    this.http.close()
    await this.close()
    await onServer(`drop database if exists "${this.database}" with (force)`)
  }

  /** A statement on the server itself, past the line of the test. */
  readonly onServer = onServer

  /** A call with JSON; text goes as it is, to send what is not JSON. */
  readonly call = async <T>(method: string, path: string, body?: unknown): Promise<Answer<T>> => {
    const response = await fetch(this.base + path, {
      method,
      headers: { 'content-type': 'application/json', origin: new URL(this.base).origin },
      body: body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body),
    })
    const text = await response.text()
    return { status: response.status, body: (text ? JSON.parse(text) : null) as T }
  }
}

async function onServer(statement: string): Promise<void> {
  const client = new pg.Client({ connectionString: process.env.AMBREL_TEST_SERVER })
  await client.connect()
  await client.query(statement)
  await client.end()
}
