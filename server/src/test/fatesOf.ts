/** What became of each event that was sent, in order; nothing where the copy is not theirs. */
export const fatesOf = async (
  keeping: Promise<{ ok: boolean; fates?: { fate: string }[] }>,
): Promise<string[] | undefined> => (await keeping).fates?.map(({ fate }) => fate)
