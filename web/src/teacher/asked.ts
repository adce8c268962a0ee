import { CALLS } from '@hand-back/core'
import { got } from '../api/queries.ts'

/** Questions that only a teacher asks the server. */
export const asked = {
  classes: () => got(CALLS.classes, {}),
  class: (id: string) => got(CALLS.wholeClass, { class: id }),
  classMail: (id: string) => got(CALLS.classMail, { class: id }),
  worksheets: (archived = false) => got(CALLS.worksheets, {}, archived ? '?archived=yes' : ''),
  worksheet: (id: string) => got(CALLS.worksheet, { worksheet: id }),
  worked: (id: string) => got(CALLS.worked, { worksheet: id }),
  workedOfHandout: (id: string) => got(CALLS.workedOfHandout, { handout: id }),
  handouts: () => got(CALLS.handouts, {}),
  handout: (id: string) => got(CALLS.handout, { handout: id }),
  handoutChanges: (id: string) => got(CALLS.handoutChanges, { handout: id }),
  marking: (id: string) => got(CALLS.marking, { handout: id }),
  work: (id: string) => got(CALLS.handoutWork, { handout: id }),
  heaps: (id: string, question: string) => got(CALLS.heaps, { handout: id, question }),
  marksBook: (classId: string) => got(CALLS.marksBook, { class: classId }),
  marksByQuestion: (id: string) => got(CALLS.marksByQuestion, { handout: id }),
  saidOfClass: (id: string) => got(CALLS.saidOfClass, { handout: id }),
  looks: (id: string) => got(CALLS.handoutLooks, { handout: id }),
  room: (id: string) => got(CALLS.room, { handout: id }),
  rubrics: () => got(CALLS.rubrics, {}),
  remarks: () => got(CALLS.remarks, {}),
  joining: (classId: string) => got(CALLS.joining, { class: classId }),
  groupings: (classId: string) => got(CALLS.groupings, { class: classId }),
}
