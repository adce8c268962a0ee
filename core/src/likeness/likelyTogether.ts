import type { Stroke } from '../ink/stroke.ts'
import { ALIKE, likelyHeaps } from './likelyHeaps.ts'
import { unlikeness } from './unlikeness.ts'
import { type WritingShape, writingShape } from './writingShape.ts'

/**
 * Which of handwritten answers look alike, as heaps of their numbers, larger ones first. What has too little ink to have
 * a shape is a heap of one. Cost: O(answers²): 300 in a second or two.
 */
export function likelyTogether(answers: readonly (readonly Stroke[])[]): number[][] {
  const shaped: { at: number; shape: WritingShape }[] = []
  const shapeless: number[][] = []
  for (const [at, ink] of answers.entries()) {
    const shape = writingShape(ink)
    if (shape) shaped.push({ at, shape })
    else shapeless.push([at])
  }
  const heaps = likelyHeaps(
    shaped.length,
    (a, b) => unlikeness(shaped[a]!.shape, shaped[b]!.shape),
    ALIKE,
  ).map((heap) => heap.map((each) => shaped[each]!.at))
  return [...heaps, ...shapeless]
}
