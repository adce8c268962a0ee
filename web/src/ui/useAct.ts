import { useState } from 'react'
import { sentenceOf } from '../api/ask.ts'

/** Runs something once at a time and keeps what went wrong as a sentence. */
export function useAct<Args extends unknown[]>(act: (...args: Args) => Promise<void>) {
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<string>()
  const run = async (...args: Args) => {
    if (busy) return
    setBusy(true)
    setProblem(undefined)
    try {
      await act(...args)
    } catch (error) {
      setProblem(sentenceOf(error))
    } finally {
      setBusy(false)
    }
  }
  return { run, busy, problem }
}
