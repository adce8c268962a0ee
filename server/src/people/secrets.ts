import { createHash, randomBytes, randomInt, timingSafeEqual } from 'node:crypto'
import { Refused } from '@hand-back/core'
import { hash, verify } from '@node-rs/argon2'
import { Lanes } from '../http/lanes.ts'

// argon2id with the first choice of RFC 9106 for servers with little memory to spare (64 MiB, three passes) is too
// much for a class of thirty signing in at once on a small machine: OWASP's 19 MiB, two passes, one lane.
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 }

// Hashing takes threads that reading files and names needs too; half of them are left for those. Making
// secrets (a teacher does, for a class at once) and judging them stand in lines of their own.
const making = new Lanes(1, 5_000, tooMany)
const judging = new Lanes(2, 300, tooMany)

function tooMany(): Error {
  return new Refused('Many people are signing in just now. Try again in a moment.', 429)
}

/** The argon2id hash of a password or PIN, with its salt and cost. */
export function hashSecret(secret: string): Promise<string> {
  return making.run(() => hash(secret, COST))
}

/** Whether the secret is the hashed one. `known`: the try comes from a device that is known. Throws `Refused` (429). */
export function isSecret(hashed: string, secret: string, known = false): Promise<boolean> {
  return judging.run(() => verify(hashed, secret), known)
}

/** Four digits, each equally likely. */
export function newPin(): string {
  return String(randomInt(10_000)).padStart(4, '0')
}

// Nobody has to tell 0 from O or 1 from I.
const CODE_LETTERS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789'

/** A class code of six letters and digits. */
export function newClassCode(): string {
  return Array.from({ length: 6 }, () => CODE_LETTERS[randomInt(CODE_LETTERS.length)]).join('')
}

/** Whether a code is the one that was meant; how long that takes says nothing of it. */
export function isCode(typed: string, meant: string): boolean {
  const bare = (code: string) =>
    createHash('sha256')
      .update(code.toUpperCase().replace(/[^A-Z0-9]/g, ''))
      .digest()
  return timingSafeEqual(bare(typed), bare(meant))
}

// 160 bits, in letters that survive being typed.
const LETTERS = '0123456789abcdefghjkmnpqrstvwxyz'
/** A token for a slip, of 32 letters and digits. */
export function newToken(): string {
  return [...randomBytes(32)].map((byte) => LETTERS[byte & 31]).join('')
}

/** What is kept of a slip's token. A random token of 160 bits needs no slow hash. */
export function hashToken(token: string): string {
  return createHash('sha256').update(token).digest('hex')
}
