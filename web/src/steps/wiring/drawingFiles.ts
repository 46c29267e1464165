import regular from '@fontsource/source-sans-3/files/source-sans-3-latin-400-normal.woff2?url'
import bold from '@fontsource/source-sans-3/files/source-sans-3-latin-600-normal.woff2?url'
import type { Drawing } from '@ambrel/core'
import { saveBlob, saveText } from '../../frame/files.ts'

const asDataUrl = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => resolve(String(reader.result))
    reader.onerror = () => reject(reader.error!)
    reader.readAsDataURL(blob)
  })

/** A drawing with its face in it, so that it looks the same wherever it is opened; without a server it goes without. */
const withFonts = (svg: string): Promise<string> => dressed(svg).catch(() => svg)

async function dressed(svg: string): Promise<string> {
  const faces = await Promise.all(
    [
      [400, regular],
      [600, bold],
    ].map(async ([weight, url]) => {
      const data = await asDataUrl(await (await fetch(String(url))).blob())
      return `@font-face{font-family:'Source Sans 3';font-weight:${weight};src:url(${data}) format('woff2')}`
    }),
  )
  return svg.replace('</title>', `</title><style>${faces.join('')}</style>`)
}

export async function saveDrawing(name: string, svg: string): Promise<void> {
  saveText(`${name}.svg`, await withFonts(svg), 'image/svg+xml')
}

/** So many dots for a unit of the drawing: enough for paper. */
const DOTS = 2

export async function savePicture(name: string, svg: string, { width }: Pick<Drawing, 'width'>): Promise<void> {
  const image = new Image()
  image.src = await asDataUrl(new Blob([await withFonts(svg)], { type: 'image/svg+xml' }))
  await image.decode()
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(width * DOTS)
  canvas.height = Math.round((canvas.width * image.naturalHeight) / image.naturalWidth)
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height)
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'))
  if (blob) saveBlob(`${name}.png`, blob)
}
