import { COPY_FORMATS } from '@hand-back/core'
import { apiUrl } from '../seat.ts'

/** Links that take a copy away, one for each format. `sayAs` and `label` say it by the name of the format. */
export function TakeAway({
  copy,
  sayAs = (name) => name,
  label,
}: {
  copy: string
  sayAs?: (name: string) => string
  label?: (name: string) => string
}) {
  const links = Object.entries(COPY_FORMATS).map(([format, { name }]) => (
    <a
      key={format}
      href={apiUrl(`/copies/${copy}/${format}`)}
      download
      onClick={(event) => event.stopPropagation()}
      aria-label={label?.(name)}
      className="py-1.5 font-semibold text-verdigris underline underline-offset-4"
    >
      {sayAs(name)}
    </a>
  ))
  return <span className="inline-flex flex-wrap gap-x-3 self-start">{links}</span>
}
