export { answerDevices, liveSettings } from './connection.ts'
export { gatheringPool } from './gatheredNews.ts'
export { type Live, liveNews } from './news.ts'
