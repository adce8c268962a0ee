export class Missing extends Error {
  constructor(sentence: string)
  readonly sentence: string
}
export function findPostgres(): string | undefined
