/// <reference lib="webworker" />
import './workerWindow.ts'
import { getDocument, type PDFDocumentProxy } from 'pdfjs-dist'
import * as pdfjsWorker from 'pdfjs-dist/build/pdf.worker.mjs'
import { MaskFilters, OffscreenCanvasFactory } from './masks.ts'
import type { PagesAnswer, PagesTask, PaperAnswer, PaperTask } from './paperTasks.ts'

// Draws pages of PDFs and pictures off the main thread. pdf.js normally brings a worker of its own; here
// it runs inside this one, so its other half is handed to it and its document-bound parts are replaced.
const scope = self as unknown as DedicatedWorkerGlobalScope & { pdfjsWorker?: unknown; fonts: unknown }
scope.pdfjsWorker = pdfjsWorker

/** A picture in a PDF with more pixels than this is left out: a tablet cannot hold it. */
const MOST_PIXELS = 60_000_000
/** The most documents kept open. */
const MOST_OPEN = 4
const open = new Map<string, Promise<PDFDocumentProxy>>()
const pictures = new Map<string, Promise<Blob>>()

function openPdf(url: string): Promise<PDFDocumentProxy> {
  let document = open.get(url)
  if (document) {
    open.delete(url)
  } else {
    document = getDocument({
      url,
      cMapUrl: '/pdfjs/cmaps/',
      cMapPacked: true,
      standardFontDataUrl: '/pdfjs/standard_fonts/',
      wasmUrl: '/pdfjs/wasm/',
      iccUrl: '/pdfjs/iccs/',
      useWorkerFetch: true,
      isEvalSupported: false,
      verbosity: 0,
      CanvasFactory: OffscreenCanvasFactory,
      FilterFactory: MaskFilters,
      maxImageSize: MOST_PIXELS,
      ownerDocument: {
        fonts: scope.fonts,
        createElement: () => new OffscreenCanvas(1, 1),
      } as unknown as Document,
    } as Parameters<typeof getDocument>[0]).promise
    document.catch(() => open.delete(url))
  }
  open.set(url, document)
  if (open.size > MOST_OPEN) {
    const [oldest, closing] = open.entries().next().value!
    open.delete(oldest)
    void closing.then(
      (closed) => closed.loadingTask.destroy(),
      () => {},
    )
  }
  return document
}

async function draw({ id, source, part, scale }: PaperTask): Promise<ImageBitmap> {
  const width = Math.max(1, Math.round((part.x1 - part.x0) * scale))
  const height = Math.max(1, Math.round((part.y1 - part.y0) * scale))
  const canvas = new OffscreenCanvas(width, height)
  const context = canvas.getContext('2d', { alpha: false })!
  context.fillStyle = '#ffffff'
  context.fillRect(0, 0, width, height)
  if (source.kind === 'picture') {
    await fetchPicture(source.url)
    scope.postMessage({ id, begun: true } satisfies PaperAnswer)
    await drawPicture(context, source, part, scale)
    return canvas.transferToImageBitmap()
  }
  const page = await (await openPdf(source.url)).getPage(source.number)
  scope.postMessage({ id, begun: true } satisfies PaperAnswer)
  // A page's UserUnit is part of pdf.js's scale.
  const viewport = page.getViewport({
    scale,
    ...(source.turn === undefined ? {} : { rotation: source.turn }),
    offsetX: -part.x0 * scale,
    offsetY: -part.y0 * scale,
  })
  await page.render({
    canvas: canvas as unknown as HTMLCanvasElement,
    canvasContext: context as unknown as CanvasRenderingContext2D,
    viewport,
  }).promise
  page.cleanup()
  return canvas.transferToImageBitmap()
}

async function drawPicture(
  context: OffscreenCanvasRenderingContext2D,
  { url, width, height, turn }: Extract<PaperTask['source'], { kind: 'picture' }>,
  part: PaperTask['part'],
  scale: number,
): Promise<void> {
  const bitmap = await createImageBitmap(await fetchPicture(url))
  context.imageSmoothingQuality = 'high'
  context.translate(-part.x0 * scale, -part.y0 * scale)
  context.scale(scale, scale)
  context.translate(width / 2, height / 2)
  context.rotate((turn * Math.PI) / 180)
  const [across, down] = turn % 180 === 0 ? [width, height] : [height, width]
  context.drawImage(bitmap, -across / 2, -down / 2, across, down)
  bitmap.close()
}

function fetchPicture(url: string): Promise<Blob> {
  let picture = pictures.get(url)
  if (!picture) {
    picture = fetch(url).then((response) => {
      if (!response.ok) throw new Error('no picture')
      return response.blob()
    })
    picture.catch(() => pictures.delete(url))
    pictures.set(url, picture)
  }
  return picture
}

async function pagesOf({ id, pagesOf: url }: PagesTask): Promise<PagesAnswer> {
  const document = await openPdf(url)
  const numbers = Array.from({ length: document.numPages }, (_none, index) => index + 1)
  const pages = []
  for (const number of numbers) {
    const page = await document.getPage(number)
    const { width, height } = page.getViewport({ scale: 1 })
    pages.push({ width, height })
    page.cleanup()
  }
  return { id, pages }
}

scope.onmessage = async ({ data }: MessageEvent<PaperTask | PagesTask>) => {
  const { id } = data
  try {
    if ('pagesOf' in data) return scope.postMessage(await pagesOf(data))
    const bitmap = await draw(data)
    scope.postMessage({ id, bitmap } satisfies PaperAnswer, [bitmap])
  } catch (error) {
    console.warn('a paper could not be drawn', error)
    scope.postMessage({ id, problem: String(error) } satisfies PaperAnswer)
  }
}
