import type { RefusedFiles } from '@hand-back/core'
import { useState } from 'react'
import { Problem, sentenceOf } from '../../api/ask.ts'
import { sayLasting, saySentence } from '../../ui/notices.ts'

/** How files are sent: with every password given so far, telling how much has gone, from 0 to 1. */
export type Send = (
  files: readonly File[],
  passwords: readonly string[],
  onProgress: (part: number) => void,
) => Promise<void>

export interface Sending {
  /** What is on its way, and how much of it has gone, from 0 to 1; after that the server reads. */
  readonly underWay: { readonly files: readonly File[]; readonly part: number } | undefined
  /** What stands in the way: a locked PDF waits for its password, anything else was refused. */
  readonly problem: { readonly sentence: string; readonly locked: boolean } | undefined
  send(files: readonly File[]): Promise<void>
  /** Goes on with a password for the PDF that asked for one. */
  unlock(password: string): Promise<void>
  /** Gives up what waits. */
  giveUp(): void
}

/** Sends files; several locked PDFs ask for their passwords one after the other. */
export function useSending(how: Send): Sending {
  const [underWay, setUnderWay] = useState<Sending['underWay']>()
  const [problem, setProblem] = useState<Sending['problem']>()
  const [waiting, setWaiting] = useState<{ files: readonly File[]; passwords: readonly string[] }>()
  const go = async (files: readonly File[], passwords: readonly string[]) => {
    if (files.length === 0 || underWay) return
    setUnderWay({ files, part: 0 })
    try {
      await how(files, passwords, (part) => setUnderWay({ files, part }))
      setProblem(undefined)
      setWaiting(undefined)
    } catch (error) {
      const locked = error instanceof Problem && error.status === 423
      setProblem({ sentence: sentenceOf(error), locked })
      setWaiting(locked ? { files, passwords } : undefined)
    } finally {
      setUnderWay(undefined)
    }
  }
  return {
    underWay,
    problem,
    send: (files) => go(files, []),
    unlock: async (password) => {
      if (waiting) await go(waiting.files, [...waiting.passwords, password])
    },
    giveUp: () => {
      setProblem(undefined)
      setWaiting(undefined)
    },
  }
}

/** Says which of several files did not come in and why, which stays to be read, and what is worth knowing of the others. */
export function sayAbout({ refused, said }: { refused: RefusedFiles; said: readonly string[] }): void {
  for (const { name, sentence } of refused) sayLasting(`“${name}” did not come in. ${sentence}`)
  for (const sentence of said) saySentence(sentence)
}
