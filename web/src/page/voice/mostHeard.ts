/**
 * More bytes of sound than these are not listened to at once: decoded, they are up to a hundred times as many, and a
 * small tablet would end the tab.
 */
export const MOST_HEARD = 8 * 1024 * 1024
