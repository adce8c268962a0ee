import type { AnswerValue, Printed, PrintedKind } from '@hand-back/core'
import type { ReactNode } from 'react'
import type { View } from '../view/view.ts'
import type { Speaking } from '../voice/speaking.ts'

/** What a place can do with what is done to it. */
export interface AnswerActs {
  answer(place: string, value: AnswerValue): void
  /** What is being typed, at every letter; nothing: it was answered. */
  typing(place: string, text: string | undefined): void
  /** What is being spoken on this copy. */
  readonly speaking: Speaking
  speak(place: Printed<'speak' | 'typed'>): void
  photo(place: Printed<'photo'>, photo: { bytes: Blob; width: number; height: number }): void
  turnTo(page: string): void
  /** Shows what a printed voice says with what comes meanwhile. */
  watch(voice: Printed<'voice'>): void
}

export interface ControlProps<Kind extends PrintedKind> {
  readonly item: Printed<Kind>
  readonly value: AnswerValue | undefined
  /** Something that is no value was given there: a photo. */
  readonly answered: boolean
  readonly view: View
  readonly acts: AnswerActs
}

/** How a printed kind is worked with on a copy. */
export interface PageKind<Kind extends PrintedKind> {
  /** What takes an answer or a press, laid over the page. */
  readonly Control?: (props: ControlProps<Kind>) => ReactNode
  /** It can be pressed on copies that are only read, too. */
  readonly worksToRead?: boolean
}
