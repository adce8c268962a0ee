import { fetchedPart } from '../../ui/fetchedPart.tsx'

/** Fetched when somebody first takes a picture, or soon after a copy is open. */
export const CameraDialog = fetchedPart('CameraDialog', () => import('./CameraDialog.tsx'))
