import { atMm as at, LINES, PageMaker } from './maker.ts'
import type { Ruling } from './ruling.ts'
import { bareSheet, type Sheet } from './sheet.ts'

/** A worksheet to begin from. */
export interface Starter {
  readonly title: string
  readonly about: string
  sheet(newId: () => string): Sheet
}

const PLAIN: Ruling = { form: 'plain', colour: LINES }

/** The starters that ship. Each is a worksheet like any other once it is taken. */
export const STARTERS: readonly Starter[] = [
  {
    title: 'A letter',
    about: 'lines to write on, under a heading and a direction',
    sheet(newId) {
      const make = new PageMaker(newId)
      const first = make.page({ form: 'ruled', colour: LINES, spacing: 9 }, [
        make.text(at(15, 9, 120, 12), 'A harbour letter', 22, true),
        make.direction(at(105, 9, 90, 10), 'To whom? From where? What of today?'),
      ])
      return bareSheet([first, make.page({ form: 'ruled', colour: LINES, spacing: 9 }, [])])
    },
  },
  {
    title: 'Sort the cards',
    about: 'three columns, cards, and two that live in none of them',
    sheet(newId) {
      const make = new PageMaker(newId)
      const places = ['On the rocks', 'In the pool', 'Under the sand'].map((label, index) =>
        make.drop(at(15 + index * 61, 40, 58, 110), label),
      )
      const words = ['limpet', 'shore crab', 'lugworm', 'barnacle', 'goby', 'cockle', 'owl', 'squirrel']
      const cards = words.map((word, index) =>
        make.card(at(15 + (index % 4) * 46, 165 + Math.floor(index / 4) * 20, 42, 13), word),
      )
      const key = (...fit: number[]) => ({
        kind: 'cards' as const,
        cards: fit.map((index) => cards[index]!.id),
      })
      return {
        ...bareSheet([
          make.page(PLAIN, [
            make.text(at(15, 12, 150, 12), 'Where does it live?', 22, true),
            make.direction(
              at(15, 25, 120, 10),
              'Move each card where it lives. Two of them live somewhere else.',
            ),
            ...places,
            ...cards,
          ]),
        ]),
        keys: {
          [places[0]!.id]: key(0, 3),
          [places[1]!.id]: key(1, 4),
          [places[2]!.id]: key(2, 5),
        },
      }
    },
  },
  {
    title: 'Numbers in a row',
    about: 'a number line, a stack of arrows, and boxes for the answers',
    sheet(newId) {
      const make = new PageMaker(newId)
      const line: Ruling = { form: 'number line', colour: '#55606b', from: 0, to: 20, parts: 20, lines: 3 }
      const boxes = [0, 1, 2].map((index) =>
        make.typed(at(150, 40 + index * 89, 45, 10), 'where it ends', 'number'),
      )
      return bareSheet([
        make.page(line, [
          make.text(at(15, 12, 130, 12), 'Steps along the quay', 22, true),
          make.direction(at(15, 25, 120, 10), 'Lay the arrows along the line. Type where you end.'),
          make.card(at(165, 14, 24, 11), '→', true),
          ...boxes,
        ]),
      ])
    },
  },
  {
    title: 'The same, and not the same',
    about: 'two overlapping circles with a place for each name',
    sheet(newId) {
      const make = new PageMaker(newId)
      return bareSheet([
        make.page({ form: 'overlap', colour: '#55606b', circles: 2 }, [
          make.text(at(15, 12, 150, 12), 'The same, and not the same', 22, true),
          make.typed(at(30, 62, 60, 11), 'the first'),
          make.typed(at(120, 62, 60, 11), 'the second'),
          make.direction(at(15, 255, 180, 10), 'In the middle stands what both have.', 'verdigris'),
        ]),
      ])
    },
  },
  {
    title: 'A graph and what it tells',
    about: 'axes to draw on, a box for words, and a place to speak',
    sheet(newId) {
      const make = new PageMaker(newId)
      const plot = make.plot(
        at(15, 42, 180, 130),
        { from: 0, to: 24, step: 2, label: 'hour of the day' },
        { from: 0, to: 6, step: 1, label: 'height of the water in m' },
      )
      return bareSheet([
        make.page(PLAIN, [
          make.text(at(15, 12, 150, 12), 'A day of the tide', 22, true),
          make.direction(at(15, 26, 150, 10), 'Draw the height of the water through the day.'),
          plot,
          make.typed(at(15, 182, 180, 40), 'What does your graph tell?', 'lines'),
          make.speak(at(15, 230, 90, 24), 'or say it'),
        ]),
      ])
    },
  },
]
