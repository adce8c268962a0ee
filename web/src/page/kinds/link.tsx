import { onScreen } from '../answers/onScreen.ts'
import type { ControlProps, PageKind } from './pageKind.ts'

export const link: PageKind<'link'> = { Control: LinkArea, worksToRead: true }

function LinkArea({ item, view, acts }: ControlProps<'link'>) {
  const { to } = item
  const shared = {
    'data-takes': 'typing',
    className: 'pointer-events-auto absolute rounded-sm',
    style: onScreen(view, item),
  }
  if (to.kind === 'page')
    return (
      <button
        type="button"
        aria-label={item.text || 'Go to the page'}
        onClick={() => acts.turnTo(to.page)}
        {...shared}
      />
    )
  if (to.url === '') return null
  return (
    <a
      href={to.url}
      target="_blank"
      rel="noreferrer noopener"
      aria-label={`${item.text || to.url}, opens ${placeOf(to.url)} in another tab`}
      title={`Opens ${placeOf(to.url)} in another tab`}
      {...shared}
    />
  )
}

/** Where an address leads, as one would say it. */
function placeOf(url: string): string {
  try {
    return new URL(url).host
  } catch {
    return url
  }
}
