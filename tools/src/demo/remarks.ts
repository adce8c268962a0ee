import { asRemark, blankItem, mm, type Remark, signAlong } from '@hand-back/core'

const MADDER = '#a83a2e'
const SIZE = 13
/** Letters that fit in a line of a remark, and how high a line is. */
const [LETTERS, LINE] = [30, 18]

/** The remarks of the demo's teacher, with how often each was used, the last kept first. */
export function demoRemarks(unit: string, makeId: () => string): Remark[] {
  const words = (text: string) => ({
    ...blankItem(
      'text',
      { x: 0, y: 0, width: mm(62), height: Math.ceil(text.length / LETTERS) * LINE + 6 },
      makeId,
    ),
    text,
    size: SIZE,
    colour: MADDER,
    turn: 0,
  })
  const tick = { ...signAlong('tick', [{ x: 20, y: 20 }], { width: 400, height: 400 }, 1, 0), id: makeId() }
  const listed = [
    ['exact time', 'Read off the exact time here.', 0, 6],
    ['both axes', 'Label both axes: what is shown, and in which unit.', 0, 4],
    ['smooth curve', 'A smooth curve, please: water has no corners.', 0, 3],
    ['from north', 'Bearings are measured from north, clockwise.', 50, 5],
    ['say how you know', 'Say how you know: which line of the table, which part of the curve?', 0, 2],
  ] as const
  return [
    ...listed.map(([name, text, carries, uses]) => ({
      id: makeId(),
      name,
      unit,
      items: asRemark([words(text)]),
      carries,
      uses,
      usesAt: {},
    })),
    {
      id: makeId(),
      name: 'right, and well shown',
      unit: '',
      items: asRemark([tick]),
      carries: 100,
      uses: 8,
      usesAt: {},
    },
  ]
}
