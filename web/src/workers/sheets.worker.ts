import { expose, transfer } from 'comlink'
import { readPriceList, type ListTerms, type PriceList, type SoughtRow } from '@ambrel/core'
import { decodeText, parseTable } from '@ambrel/contract/weather'
import { cellsOfWorkbook, workbookOf } from './workbook.ts'

let cells: string[][] = []

const service = {
  /** Takes a list as text or as a file of CSV or a workbook. @returns how many rows it has */
  async take(list: string | File): Promise<number> {
    if (typeof list === 'string') cells = parseTable(list)
    else {
      const bytes = new Uint8Array(await list.arrayBuffer())
      cells = /\.xlsx$/i.test(list.name) ? await cellsOfWorkbook(bytes) : parseTable(decodeText(bytes).text)
    }
    return cells.length
  },

  /** Holds the list taken last against a bill. */
  async read(rows: SoughtRow[], terms: ListTerms): Promise<PriceList> {
    return readPriceList(cells, rows, terms)
  },

  /** Writes a workbook of one sheet. @returns its bytes */
  async write(sheet: string, rows: (string | number)[][]): Promise<Uint8Array<ArrayBuffer>> {
    const bytes = await workbookOf(sheet, rows)
    return transfer(bytes, [bytes.buffer])
  },
}

export type SheetsService = typeof service
expose(service)
