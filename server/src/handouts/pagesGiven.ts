import type { PageOwners, PagePart } from '@hand-back/core'
import { and, eq, isNull } from 'drizzle-orm'
import type { Database, Queries } from '../db/connect.ts'
import { copies, copyMembers } from '../db/schema.ts'
import { notHere } from '../http/as.ts'
import { ownHandout } from './queries.ts'

/** Gives pages of a shared copy to some who share it. Throws `Refused`. */
export async function givePages(
  db: Database,
  teacherId: string,
  copyId: string,
  owners: PageOwners,
): Promise<{ handout: string }> {
  return db.transaction(async (tx) => {
    const { handout, members } = await sharedBy(tx, teacherId, copyId)
    for (const studentId of members) {
      const pages = Object.keys(owners).filter((page) => owners[page]!.includes(studentId))
      await tx
        .update(copyMembers)
        .set({ pages: pages.length > 0 ? pages : null })
        .where(and(eq(copyMembers.copyId, copyId), eq(copyMembers.studentId, studentId)))
    }
    return { handout }
  })
}

/** Gives parts of pages of a shared copy to some who share it; those who do not share it get none. Throws `Refused`. */
export async function giveParts(
  db: Database,
  teacherId: string,
  copyId: string,
  wished: readonly PagePart[],
): Promise<{ handout: string }> {
  return db.transaction(async (tx) => {
    const { handout, members } = await sharedBy(tx, teacherId, copyId)
    const shares = new Set(members)
    const parts = wished
      .map((part) => ({ ...part, students: part.students.filter((id) => shares.has(id)) }))
      .filter(({ students }) => students.length > 0)
    await tx.update(copies).set({ parts }).where(eq(copies.id, copyId))
    return { handout }
  })
}

/** A shared copy of a class of this teacher: its hand-out, and who shares it. Throws `Refused` (404). */
async function sharedBy(tx: Queries, teacherId: string, copyId: string) {
  const [copy] = await tx.select().from(copies).where(eq(copies.id, copyId))
  if (!copy?.name) throw notHere()
  await ownHandout(tx, teacherId, copy.handoutId)
  const members = await tx
    .select({ id: copyMembers.studentId })
    .from(copyMembers)
    .where(and(eq(copyMembers.copyId, copyId), isNull(copyMembers.leftAt)))
  return { handout: copy.handoutId, members: members.map(({ id }) => id) }
}
