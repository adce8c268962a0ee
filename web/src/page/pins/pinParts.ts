export { PinDrawing } from './PinDrawing.tsx'
export { PinInk } from './PinInk.tsx'
export { PinMargin } from './PinMargin.tsx'
export { PinTags } from './PinTags.tsx'
