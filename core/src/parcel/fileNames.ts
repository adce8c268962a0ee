/** The most letters of a file's name, without its ending: what every file system takes, in every script. */
const LONGEST = 70
/** Letters that no file's name has on some system, and those that nobody sees. */
const FORBIDDEN = /[\\/:*?"<>|\p{C}]+/gu
/** Names that mean devices on some system, whatever ending they have. */
const DEVICES = /^(con|prn|aux|nul|com\d|lpt\d)$/i

/**
 * Words as the name of a file, without ending, that every system takes: nothing that separates folders or is not seen, no
 * dot or space at its ends, not too long. Law: it is never empty, and what it makes it leaves as it is.
 */
export function fileName(words: string): string {
  const plain = words.normalize('NFC').replace(FORBIDDEN, ' ').replace(/\s+/g, ' ')
  const ended = (text: string) => text.replace(/^[ .]+|[ .]+$/g, '')
  const name = ended([...ended(plain)].slice(0, LONGEST).join(''))
  if (name === '') return 'without name'
  return DEVICES.test(name) ? `${name} file` : name
}

/**
 * Gives every file a name of its own: of those that would be called alike (capitals or not), the second is “… 2”.
 * `folder`: names that end with it stand in it. Law: no name is given twice.
 */
export class FileNames {
  readonly #taken = new Set<string>()

  take(words: string, ending: string, folder = ''): string {
    const name = fileName(words)
    const inFolder = folder === '' ? '' : `${folder}/`
    for (let count = 1; ; count++) {
      const full = `${inFolder}${name}${count === 1 ? '' : ` ${count}`}.${ending}`
      const key = full.toLowerCase()
      if (this.#taken.has(key)) continue
      this.#taken.add(key)
      return full
    }
  }
}
