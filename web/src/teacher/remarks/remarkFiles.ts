import {
  listedId,
  MOST_REMARKS,
  type Remark,
  type RemarkKept,
  readLetters,
  readRemarksCsv,
  remarkKept,
  remarksAsCsv,
} from '@hand-back/core'
import { z } from 'zod'
import { saveFile } from '../../ui/saveFile.ts'
import { wordsAsItems } from './wordsRemark.ts'

/** Remarks as a JSON file: all that they are, their ink too. */
const remarksFile = z.object({
  handBackRemarks: z.literal(1),
  remarks: z.array(remarkKept).max(MOST_REMARKS),
})

export const saveAsCsv = (remarks: readonly Remark[]): void =>
  saveFile('remarks.csv', remarksAsCsv(remarks), 'text/csv')

export function saveAsJson(remarks: readonly Remark[]): void {
  // What is spoken is heard by its own teacher only: its sound does not travel with a list.
  const kept = remarks.flatMap(({ uses: _uses, usesAt: _usesAt, ...remark }) => {
    const items = remark.items.filter(({ kind }) => kind !== 'voice')
    return items.length > 0 ? [{ ...remark, items }] : []
  })
  saveFile('remarks.json', JSON.stringify({ handBackRemarks: 1, remarks: kept }), 'application/json')
}

/** What came in with a file: the remarks of it, and a sentence about what could not be used. */
export interface CameIn {
  readonly remarks: readonly RemarkKept[]
  readonly said: string | undefined
}

/** Reads a CSV or JSON file of remarks. One that came in before is the same remark, not one more. */
export async function readRemarkFile(file: File, teacher: string): Promise<CameIn> {
  const bytes = new Uint8Array(await file.arrayBuffer())
  const letters = readLetters(bytes)
  if (letters.trimStart().startsWith('{')) {
    const read = remarksFile.safeParse(parsed(letters))
    if (!read.success) return { remarks: [], said: 'This file holds no remarks of Hand Back.' }
    return {
      remarks: read.data.remarks.map((each) => ({ ...each, id: ownId(teacher, each) })),
      said: undefined,
    }
  }
  const list = readRemarksCsv(bytes)
  if ('problem' in list) return { remarks: [], said: list.problem }
  if (list.remarks.length > MOST_REMARKS)
    return { remarks: [], said: `A list has at most ${MOST_REMARKS} remarks.` }
  const [first] = list.wrong
  return {
    remarks: list.remarks.map((each) => ({
      id: listedId(teacher, each),
      name: each.name,
      unit: each.unit,
      items: wordsAsItems(each.words),
      carries: each.carries,
    })),
    said: first && `${list.wrong.length} left out, the first on line ${first.line}: ${first.why}`,
  }
}

/** The same remark in the hands of another teacher is another one. */
const ownId = (teacher: string, { id, name, unit }: RemarkKept) =>
  listedId(teacher, { name, words: id, unit, carries: 0 })

function parsed(letters: string): unknown {
  try {
    return JSON.parse(letters)
  } catch {
    return undefined
  }
}
