import { CALLS, type ParcelTold, type ParcelWish } from '@hand-back/core'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef } from 'react'
import { ask, urlOf } from '../api/ask.ts'
import { got, refresh } from '../api/queries.ts'
import { sayProblem, sayReady, saySentence } from '../ui/notices.ts'

/** While something is packed, school is asked so often how far it has come, in milliseconds. */
const LOOKS_EVERY = 800

/** What is packed or kept for whoever is signed in, the newest first. */
export function useParcels(): readonly ParcelTold[] {
  const { data } = useQuery({
    ...got(CALLS.parcels, {}),
    refetchInterval: ({ state }) =>
      state.data?.some((parcel) => parcel.state === 'packing') ? LOOKS_EVERY : false,
  })
  return data ?? []
}

/** Says when something is packed, or cannot be, that was being packed; not while it is `seen` anyway. */
export function useParcelNotices(parcels: readonly ParcelTold[], seen: boolean): void {
  const packing = useRef(new Set<string>())
  useEffect(() => {
    for (const parcel of parcels) {
      const { id, state, title, problem } = parcel
      if (state === 'packing') packing.current.add(id)
      else if (packing.current.delete(id) && !seen) {
        if (state === 'ready') sayReady(`${title} is packed.`, 'Save', () => saveParcel(parcel))
        else saySentence(`${title}: ${problem}`)
      }
    }
  }, [parcels, seen])
}

/** Saves what was packed as a file on this device: the browser takes it as it comes. */
export function saveParcel({ id, file }: ParcelTold): void {
  const link = document.createElement('a')
  link.href = urlOf(CALLS.parcelFile, { parcel: id })
  link.download = file
  link.click()
}

/** Begins to pack what is wished for. Whether it was begun; why it cannot be is said. */
export async function wishParcel(wish: ParcelWish): Promise<boolean> {
  try {
    await ask(CALLS.wishParcel, {}, wish)
    return true
  } catch (error) {
    sayProblem(error)
    return false
  } finally {
    await refresh(CALLS.parcels)
  }
}

/** Ends packing, or throws away what was packed. */
export async function dropParcel(id: string): Promise<void> {
  try {
    await ask(CALLS.dropParcel, { parcel: id })
  } catch (error) {
    sayProblem(error)
  } finally {
    await refresh(CALLS.parcels)
  }
}
