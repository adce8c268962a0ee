export { copyRows, handOut, ownHandout } from './queries.ts'
export { handoutRoutes } from './routes.ts'
