/** What a student is told of a copy that does not lie in trays now. */
export const NOT_OUT = 'Your teacher does not have this out just now.'

/** The most bytes that the log and the attachments of one copy may have: a term's notebook of ink with photos. */
export const MOST_COPY_BYTES = 400 * 1024 * 1024
export const COPY_FULL = 'This copy is full. Ask your teacher for another.'
