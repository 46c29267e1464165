import { expose } from 'comlink'
import { readPriceList, type ListTerms, type PriceList, type SoughtRow } from '@ambrel/core'
import { decodeText, parseTable } from '@ambrel/contract/weather'
import { cellsOfWorkbook } from '../frame/spreadsheet.ts'

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
}

export type PricesService = typeof service
expose(service)
