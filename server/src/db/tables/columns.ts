import { customType, timestamp } from 'drizzle-orm/pg-core'

export const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' })
/** A moment with its time zone. */
export const moment = (name: string) => timestamp(name, { withTimezone: true })
