/** pdf.js ships no types for its other half; it is only handed over, never called from here. */
declare module 'pdfjs-dist/build/pdf.worker.mjs'
