import type { Design } from '@ambrel/core'

/** Offers text as a file to keep. */
export const saveText = (name: string, text: string, type = 'text/csv'): void =>
  saveBlob(name, new Blob([text], { type: `${type};charset=utf-8` }))

/** Offers a blob as a file to keep. */
export function saveBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob)
  const link = Object.assign(document.createElement('a'), { href: url, download: name.replace(/[\\/:*?"<>|]/g, '_') })
  link.click()
  URL.revokeObjectURL(url)
}

/** Offers a design as a file, in the format the command line reads. */
export const saveDesign = (document: Design): void =>
  saveText(`${document.name} - ${document.variant}.ambrel.json`, JSON.stringify(document, null, 2), 'application/json')

/** Offers rows as a CSV file. */
export async function saveCells(name: string, rows: readonly (readonly string[])[]): Promise<void> {
  const { toCsv } = await import('@ambrel/contract/weather')
  saveText(name, toCsv(rows))
}
