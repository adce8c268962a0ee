export * from './tables/handouts.ts'
export * from './tables/people.ts'
export * from './tables/work.ts'
export * from './tables/worksheets.ts'
