import { PDFDocument } from '@cantoo/pdf-lib'
import { describe, expect, test } from '@jest/globals'
import { measure, PdfFonts } from './fonts.ts'

const plain = { face: 'plain', bold: false, size: 12 } as const
const reading = { ...plain, face: 'reading' } as const

describe('digits of the plain face', () => {
  test('are the reading face’s, without a slash in the zero', async () => {
    const fonts = new PdfFonts(await PDFDocument.create())
    const [letters, digits, after] = await fonts.set('low 10:30', plain)
    expect(letters!.font.name).toContain('Atkinson')
    expect(digits!.font.name).toContain('Andika')
    expect(after!.font.name).toContain('Atkinson')
    for (const face of ['reading', 'book'] as const)
      expect(await fonts.set('low 10:30', { ...plain, face })).toHaveLength(1)
  })

  test('are as wide as they are set', () => {
    expect(measure('0123456789', plain)).toBeCloseTo(measure('0123456789', reading))
    expect(measure('tide', plain)).not.toBeCloseTo(measure('tide', reading))
  })
})
