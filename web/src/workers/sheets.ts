import { wrap, type Remote } from 'comlink'
import type { SheetsService } from './sheets.worker.ts'
import address from './sheets.worker.ts?worker&url'

export interface Sheets {
  service: Remote<SheetsService>
  end: () => void
}

/** A worker that reads price lists and writes workbooks, until it is ended. */
export function openSheets(): Sheets {
  const worker = new Worker(address, { type: 'module' })
  return { service: wrap<SheetsService>(worker), end: () => worker.terminate() }
}

/** Keeps the file of the worker at hand without running it, so that it works where the server is not reached. */
export const keepSheets = async (): Promise<void> => void (await (await fetch(address)).arrayBuffer())
