const LOOKS_EVERY = 50

/** Waits for a state: asks until the answer is neither `false` nor `undefined`. Throws after `patience` milliseconds. */
export async function until<Answer>(
  ask: () => Promise<Answer | false | undefined>,
  patience = 15_000,
): Promise<Answer> {
  const end = Date.now() + patience
  for (;;) {
    const answer = await ask()
    if (answer !== false && answer !== undefined) return answer
    if (Date.now() > end) throw new Error('what was waited for did not come')
    await new Promise((done) => setTimeout(done, LOOKS_EVERY))
  }
}
