export { clearOldParcels, Packers } from './packers.ts'
export { parcelRoutes } from './routes.ts'
