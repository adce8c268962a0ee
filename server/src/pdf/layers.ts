import { PDFArray, PDFDict, type PDFDocument, PDFName, PDFRef } from '@cantoo/pdf-lib'

/** Which layers of a PDF are not to be seen as it opens (ISO 32000-2, 8.11). */
export interface Layers {
  /** Whether what is marked with this group, or membership of groups, is hidden. */
  isHidden(mark: unknown): boolean
}

/** Reads the layers that are off in the PDF's default configuration. */
export function layersOf(document: PDFDocument): Layers {
  const { context, catalog } = document
  const properties = catalog.lookup(PDFName.of('OCProperties'))
  const shown = properties instanceof PDFDict ? properties.lookup(PDFName.of('D')) : undefined
  const refs = (of: PDFDict | undefined, name: string) => {
    const list = of?.lookup(PDFName.of(name))
    return list instanceof PDFArray ? list.asArray().map(String) : []
  }
  const config = shown instanceof PDFDict ? shown : undefined
  const off = new Set(refs(config, 'OFF'))
  if (config?.lookup(PDFName.of('BaseState')) === PDFName.of('OFF')) {
    for (const ref of refs(properties as PDFDict, 'OCGs')) off.add(ref)
    for (const ref of refs(config, 'ON')) off.delete(ref)
  }

  const isHidden = (mark: unknown): boolean => {
    if (mark instanceof PDFRef && off.has(String(mark))) return true
    const dict = mark instanceof PDFRef ? context.lookup(mark) : mark
    if (!(dict instanceof PDFDict) || dict.lookup(PDFName.of('Type')) !== PDFName.of('OCMD')) return false
    const members = dict.get(PDFName.of('OCGs'))
    const list = context.lookup(members)
    const groups = list instanceof PDFArray ? list.asArray() : members ? [members] : []
    if (groups.length === 0) return false
    const hidden = groups.map((group) => off.has(String(group)))
    switch (String(dict.lookup(PDFName.of('P')) ?? '/AnyOn')) {
      case '/AllOn':
        return hidden.some(Boolean)
      case '/AnyOff':
        return !hidden.some(Boolean)
      case '/AllOff':
        return !hidden.every(Boolean)
      default:
        return hidden.every(Boolean)
    }
  }
  return { isHidden }
}
