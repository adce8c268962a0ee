/** Marks an element whose place on the page the demo's handwriting needs to know. */
export const place = (name: string) => `data-place="${name}"`

export const page = (inner: string, wide = false) =>
  `<section class="page${wide ? ' wide' : ''}">${inner}</section>`

export const question = (number: number, inner: string) =>
  `<div class="q"><b>${number}</b><div>${inner}</div></div>`

export const lines = (name: string, count: number) =>
  `<div class="lines" ${place(name)}>${'<div></div>'.repeat(count)}</div>`

export const foot = (number: number, of: number) =>
  `<div class="foot"><span>Saltmarsh School · Tides and harbours</span><span>page ${number} of ${of}</span></div>`

/** A worksheet of the demo as HTML sections, one a page. */
export interface WorksheetSource {
  readonly name: string
  readonly pages: readonly string[]
}
