export { findPerson, makeTeacher } from './queries.ts'
export { peopleRoutes } from './routes.ts'
export { hashSecret, newClassCode, newPin } from './secrets.ts'
export { knowPerson, personOf, sessions } from './session.ts'
