import { perCentOf, type Spread, sayMarks } from '@hand-back/core'

/** A number of marks, of hundredths, to one place: “7”, “5.3”. */
export const sayMean = (hundredths: number): string => String(Math.round(hundredths / 10) / 10)

/** A share as per cent. */
export const sayShare = (share: number | undefined): string =>
  share === undefined ? '' : `${perCentOf(share)} %`

/** A correlation: “0.42”, “−0.10”. */
export const sayCorrelation = (correlation: number | undefined): string =>
  correlation === undefined ? '–' : correlation.toFixed(2).replace('-', '−')

/** The middle half of marks, of hundredths, in words. */
export const sayMiddle = ({ low, high }: Spread): string => `${sayMean(low)}–${sayMean(high)}`

/** “4½ of 6”. */
export const sayOf = (given: number, full: number): string => `${sayMarks(given)} of ${sayMarks(full)}`
