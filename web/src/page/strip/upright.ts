import { createContext } from 'react'

/** Whether the strip stands along a side instead of below, to whatever is in it. */
export const Upright = createContext(false)
