import { z } from 'zod'
import { bytes, dropping, making, nothing, reading, streaming } from '../call.ts'
import { parcelTold, parcelWish } from '../parcels.ts'

// What somebody takes away, packed while they go on.

export const wishParcel = making('anybody', '/parcels', parcelWish, parcelTold)
/** Everything of one's own that is being packed, or was and is kept, the newest first. */
export const parcels = reading('anybody', '/parcels', z.array(parcelTold))
/** What was packed, as a file. */
export const parcelFile = streaming('file', reading('anybody', '/parcels/:parcel/file', bytes))
/** Ends packing, or throws away what was packed. */
export const dropParcel = dropping('anybody', '/parcels/:parcel', nothing, nothing)
