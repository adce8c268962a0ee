export { type BundleNamed, bundleOf } from './copyAsPdf.ts'
export { type Bundle, pdfOf } from './pdfOf.ts'
export { Pictures } from './pictures.ts'
export { formatRoutes } from './routes.ts'
