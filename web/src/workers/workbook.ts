import excel, { type CellValue } from 'exceljs'

/** The bytes of a workbook of one sheet; the head is bold, and figures stay figures. */
export async function workbookOf(
  sheet: string,
  rows: readonly (readonly (string | number)[])[],
): Promise<Uint8Array<ArrayBuffer>> {
  const book = new excel.Workbook()
  const page = book.addWorksheet(sheet)
  page.addRows(rows.map((row) => [...row]))
  page.getRow(1).font = { bold: true }
  page.views = [{ state: 'frozen', ySplit: 1 }]
  const widest = (column: number) => Math.max(...rows.map((row) => String(row[column] ?? '').length))
  page.columns.forEach((column, i) => (column.width = Math.min(60, widest(i) + 2)))
  return new Uint8Array(await book.xlsx.writeBuffer())
}

/**
 * The cells of a workbook's first sheet that has any, as text: days as 2026-01-31, figures with a decimal point, formulas by
 * what they came to when it was saved.
 * @throws Error in words for what is no workbook
 */
export async function cellsOfWorkbook(bytes: Uint8Array): Promise<string[][]> {
  const book = new excel.Workbook()
  try {
    await book.xlsx.load(bytes.buffer as ArrayBuffer)
  } catch (error) {
    throw new Error(`it is no workbook that can be read (${(error as Error).message})`, { cause: error })
  }
  const sheet = book.worksheets.find(({ actualRowCount }) => actualRowCount > 0)
  if (!sheet) throw new Error('it has no sheet with anything on it')
  const rows: string[][] = []
  sheet.eachRow({ includeEmpty: true }, (row) => {
    const cells: string[] = []
    row.eachCell({ includeEmpty: true }, (cell) => cells.push(textOf(cell.value)))
    rows.push(cells)
  })
  return rows
}

function textOf(value: CellValue): string {
  if (value === null || value === undefined) return ''
  if (value instanceof Date) return value.toISOString().slice(0, 10)
  if (typeof value !== 'object') return String(value)
  if ('result' in value) return textOf(value.result as CellValue)
  if ('richText' in value) return value.richText.map(({ text }) => text).join('')
  if ('text' in value) return textOf(value.text)
  return ''
}
