import { fileURLToPath } from 'node:url'

/** The project's folder, with a slash at the end. */
export const PROJECT = fileURLToPath(new URL('../../..', import.meta.url))
