import { saveBlob } from './files.ts'

/** Offers rows of cells as a workbook of one sheet; the head is bold, and figures stay figures. */
export async function saveWorkbook(
  name: string,
  sheet: string,
  rows: readonly (readonly (string | number)[])[],
): Promise<void> {
  saveBlob(name, new Blob([await workbookOf(sheet, rows)], { type: XLSX }))
}
const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'

/** The bytes of a workbook of one sheet. */
export async function workbookOf(sheet: string, rows: readonly (readonly (string | number)[])[]): Promise<ArrayBuffer> {
  const { default: excel } = await import('exceljs')
  const book = new excel.Workbook()
  const page = book.addWorksheet(sheet)
  page.addRows(rows.map((row) => [...row]))
  page.getRow(1).font = { bold: true }
  page.views = [{ state: 'frozen', ySplit: 1 }]
  const widest = (column: number) => Math.max(...rows.map((row) => String(row[column] ?? '').length))
  page.columns.forEach((column, i) => (column.width = Math.min(60, widest(i) + 2)))
  return (await book.xlsx.writeBuffer()) as ArrayBuffer
}
