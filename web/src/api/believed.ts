let person: string | undefined
let doubted = () => {}

/** Who this tab believes is signed in: what it sends says so, and is done for nobody else. */
export const believed = (): string | undefined => person

/** From now on this tab belongs to that person, or to nobody. */
export function believe(id: string | undefined): void {
  person = id
}

/** Calls `listener` when the server says that somebody else is signed in. */
export function onDoubt(listener: () => void): void {
  doubted = listener
}

export const doubt = (): void => doubted()
