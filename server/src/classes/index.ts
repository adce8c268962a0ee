export { addStudentsTo, makeClass, ownClass, rosterOf } from './queries.ts'
export { classRoutes } from './routes.ts'
