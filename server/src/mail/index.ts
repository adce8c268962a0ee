export { makeMail } from './makeMail.ts'
export { mailRoutes } from './routes.ts'
export { sendMail } from './sendMail.ts'
