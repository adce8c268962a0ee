import { Refused, type Slip } from '@hand-back/core'
import { eq, sql } from 'drizzle-orm'
import QRCode from 'qrcode'
import type { Database } from '../db/connect.ts'
import { people, slips } from '../db/schema.ts'
import { hashSecret, hashToken, newPin, newToken } from '../people/index.ts'
import { inTurn } from '../work/index.ts'
import { ownClass, rosterOf } from './queries.ts'

const SECONDS = 60

interface SlipsAsked {
  readonly students?: readonly string[] | undefined
  readonly newPins: boolean
}

/**
 * A PDF of slips, one for each student, whose QR code signs them in at `address`. Making a slip ends the
 * one before; PINs cannot be printed unless they are made anew. Throws `Refused`.
 */
export async function makeSlips(
  db: Database,
  teacherId: string,
  classId: string,
  address: string,
  { students, newPins }: SlipsAsked,
): Promise<{ name: string; bytes: Uint8Array; students: string[] }> {
  const { name: className, code } = await ownClass(db, teacherId, classId)
  const roster = await rosterOf(db, classId)
  const chosen = students ? roster.filter(({ id }) => students.includes(id)) : roster
  if (chosen.length === 0) throw new Refused('There is nobody to make a slip for.', 422)
  const made = await Promise.all(
    chosen.map(async ({ id, name }) => {
      const token = newToken()
      const pin = newPins ? newPin() : null
      return { id, name, token, pin, secretHash: pin && (await hashSecret(pin)) }
    }),
  )
  await db.transaction(async (tx) => {
    await tx
      .insert(slips)
      .values(made.map(({ id, token }) => ({ studentId: id, tokenHash: hashToken(token) })))
      .onConflictDoUpdate({
        target: slips.studentId,
        set: { tokenHash: sql`excluded.token_hash`, madeAt: sql`now()` },
      })
    for (const { id, secretHash } of made)
      if (secretHash) await tx.update(people).set({ secretHash }).where(eq(people.id, id))
  })
  const task = made.map(
    ({ name, token, pin }): Slip => ({
      name,
      className,
      code,
      pin,
      address,
      squares: squaresOf(`${address}/slip/${token}`),
    }),
  )
  const script = new URL('./drawSlips.ts', import.meta.url)
  return {
    name: `Slips of ${className}`,
    students: made.map(({ id }) => id),
    bytes: await inTurn<Uint8Array>({
      kind: 'long',
      script,
      name: 'drawSlips',
      task: () => task,
      bytes: 0,
      seconds: SECONDS,
      person: teacherId,
    }),
  }
}

function squaresOf(text: string): boolean[][] {
  const { size, data } = QRCode.create(text, { errorCorrectionLevel: 'M' }).modules
  return Array.from({ length: size }, (_, row) =>
    Array.from({ length: size }, (_, column) => data[row * size + column] === 1),
  )
}
