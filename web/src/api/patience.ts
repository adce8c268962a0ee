/** How long an answer over the live connection may take before it counts as lost, in milliseconds. */
export const ANSWER_WITHIN = 10_000
