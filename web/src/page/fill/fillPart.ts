import { fetchedPart } from '../../ui/fetchedPart.tsx'

export const FillStrip = fetchedPart('FillStrip', () => import('./FillStrip.tsx'))
