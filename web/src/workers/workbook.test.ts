import excel from 'exceljs'
import { describe, expect, it } from 'vitest'
import { cellsOfWorkbook, workbookOf } from './workbook.ts'

describe('a workbook', () => {
  it('is read back as it was written, figures with a decimal point', async () => {
    const rows = [
      ['item', 'each', 'date'],
      ['cable 10 AWG', 1.25, '2026-01-31'],
      ['', 1450, ''],
    ]
    const back = await cellsOfWorkbook(await workbookOf('Materials', rows))
    expect(back).toEqual(rows.map((row) => row.map(String)))
  })
  it('tells days, formulas and rich text by what they show', async () => {
    const book = new excel.Workbook()
    book.addWorksheet('empty')
    const sheet = book.addWorksheet('prices')
    sheet.addRow([new Date(Date.UTC(2026, 10, 2)), { formula: 'A1*2', result: 12.5 }])
    sheet.getCell('A2').value = { richText: [{ text: 'ground ' }, { text: 'bar' }] }
    sheet.getCell('B2').value = { text: 'a link', hyperlink: 'mailto:nobody' }
    const bytes = new Uint8Array(await book.xlsx.writeBuffer())
    expect(await cellsOfWorkbook(bytes)).toEqual([
      ['2026-11-02', '12.5'],
      ['ground bar', 'a link'],
    ])
  })
  it('that is none, or has nothing on it, says so', async () => {
    await expect(cellsOfWorkbook(new TextEncoder().encode('no workbook'))).rejects.toThrow('it is no workbook')
    const book = new excel.Workbook()
    book.addWorksheet('empty')
    await expect(cellsOfWorkbook(new Uint8Array(await book.xlsx.writeBuffer()))).rejects.toThrow(
      'no sheet with anything on it',
    )
  })
})
