export { handOut } from './handOut.ts'
export { giveToJoiners } from './inUse.ts'
export { copyRows, ownHandout, trayOf } from './queries.ts'
export { handoutRoutes } from './routes.ts'
