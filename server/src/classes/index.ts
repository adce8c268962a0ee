export { addStudentsTo, makeClass, ownClass, rosterOf } from './queries.ts'
export { classRoutes, joinRoutes } from './routes.ts'
