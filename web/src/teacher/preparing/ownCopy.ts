import {
  type CopyWhole,
  isForSet,
  type Person,
  printedFor,
  USUAL_FILM_SECONDS,
  USUAL_VOICE_SECONDS,
  type WorksheetWhole,
} from '@hand-back/core'

/** A copy of a worksheet that no student has, for its teacher: what is for other sets is left out. */
export function ownCopy(
  { title, sheet }: Pick<WorksheetWhole, 'title' | 'sheet'>,
  person: Person,
  set: string,
  id: string,
): CopyWhole {
  const wanted = sheet.pages.filter((page) => isForSet(page, set))
  const pages = (wanted.length > 0 ? wanted : sheet.pages).map((page) => ({
    ...page,
    printed: printedFor(page.printed, set),
  }))
  return {
    id,
    handout: crypto.randomUUID(),
    title,
    directions: '',
    dueAt: null,
    spoken: null,
    rubric: null,
    goFor: null,
    withoutMarks: [],
    way: 'own',
    name: person.name,
    students: [person],
    teacher: person,
    teachers: [],
    touchAll: false,
    pins: false,
    longestVoice: USUAL_VOICE_SECONDS,
    longestFilm: USUAL_FILM_SECONDS,
    owners: {},
    parts: [],
    changes: [],
    state: 'working',
    round: 1,
    pages,
    questions: [],
  }
}
