import 'server-only'
import path from 'node:path'
import pdfmake from 'pdfmake'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'

const FONTS = path.join(process.cwd(), 'node_modules/@fontsource')
const fontFile = (family: string, weight: number) => path.join(FONTS, family, 'files', `${family}-latin-${weight}-normal.woff`)

// The sheets hold no addresses and read no files but their fonts.
pdfmake.setUrlAccessPolicy(() => false)
pdfmake.setLocalAccessPolicy((file) => path.resolve(file).startsWith(FONTS))

pdfmake.addFonts({
  Archivo: {
    normal: fontFile('archivo', 400),
    bold: fontFile('archivo', 700),
    italics: fontFile('archivo', 400),
    bolditalics: fontFile('archivo', 700),
  },
  Azeret: {
    normal: fontFile('azeret-mono', 400),
    bold: fontFile('azeret-mono', 700),
    italics: fontFile('azeret-mono', 400),
    bolditalics: fontFile('azeret-mono', 700),
  },
})

export type SheetSize = 'A4' | 'LETTER'

/** A document as PDF bytes, in the shop's own letters. */
export async function pdfOf(definition: TDocumentDefinitions): Promise<Uint8Array<ArrayBuffer>> {
  return new Uint8Array(await pdfmake.createPdf(definition).getBuffer())
}
