export { answerDevices, liveSettings } from './connection.ts'
export { type Live, liveNews } from './news.ts'
