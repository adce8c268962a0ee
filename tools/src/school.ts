import { runHouse } from './setup/house.ts'

/** `npm start`: for real use. The first visit makes the first teacher's account. */
export function run(): Promise<void> {
  return runHouse({ name: 'school', fresh: false })
}
