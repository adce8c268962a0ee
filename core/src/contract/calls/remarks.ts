import { z } from 'zod'
import { rubric, rubricKept } from '../../marks/rubric.ts'
import { changing, doing, dropping, nothing, putting, reading } from '../call.ts'
import { MOST_REMARKS_SENT, remark, remarkChange, remarkKept } from '../remarks.ts'

// A teacher's own remarks and rubrics.

export const remarks = reading('teacher', '/remarks', z.array(remark))
/** Those that are there already stay as they are. */
export const keepRemarks = doing(
  'teacher',
  '/remarks',
  z.object({ remarks: z.array(remarkKept).min(1).max(MOST_REMARKS_SENT) }),
  nothing,
)
export const changeRemark = changing('teacher', '/remarks/:remark', remarkChange, nothing)
/** It was put on a copy once more, at a question or at none. */
export const remarkUsed = doing(
  'teacher',
  '/remarks/:remark/uses',
  z.object({ question: z.uuid().nullable() }),
  nothing,
)
export const rubrics = reading('teacher', '/rubrics', z.array(rubricKept))
/** Keeps a rubric, or keeps it otherwise; hand-outs that have it stay as they are. */
export const keepRubric = putting('teacher', '/rubrics/:rubric', rubric, nothing)
export const dropRubric = dropping('teacher', '/rubrics/:rubric', nothing, nothing)
