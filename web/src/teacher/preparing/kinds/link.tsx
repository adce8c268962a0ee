import { useStore } from 'zustand'
import { usePreparing } from '../context.ts'
import { ChoiceRow, NumberRow, Row, SMALL_INPUT, TextRow } from '../panels/rows.tsx'
import type { PanelProps, TeacherKind } from './teacherKind.ts'

export const link = {
  name: () => 'Link',
  group: 'Tell',
  list: {
    link: { name: 'Link', put: { size: [50, 9] } },
  },
  Panel,
} satisfies TeacherKind<'link'>

function Panel({ item, set }: PanelProps<'link'>) {
  const { store } = usePreparing()
  const pages = useStore(store.view, ({ sheet }) => sheet.pages)
  const { to } = item
  return (
    <>
      <TextRow label="Words" first value={item.text} onChange={(text) => set({ text }, 'text')} />
      <ChoiceRow
        label="Leads to"
        value={to.kind === 'web' ? 'web' : to.page}
        options={[
          ['web', 'an address on the web'],
          ...pages.map(({ id }, index) => [id, `page ${index + 1}`] as const),
        ]}
        onChange={(where) =>
          set({ to: where === 'web' ? { kind: 'web', url: '' } : { kind: 'page', page: where } })
        }
      />
      {to.kind === 'web' && (
        <Row label="Address">
          {(id) => (
            <WebAddress id={id} url={to.url} onChange={(url) => set({ to: { kind: 'web', url } }, 'url')} />
          )}
        </Row>
      )}
      <NumberRow
        label="Size"
        value={item.size}
        least={4}
        most={300}
        onChange={(size) => set({ size }, 'size')}
      />
    </>
  )
}

/** Only a whole address of the web is taken; what is being typed stays in the box. */
function WebAddress({ id, url, onChange }: { id: string; url: string; onChange: (url: string) => void }) {
  return (
    <input
      id={id}
      type="url"
      defaultValue={url}
      placeholder="https://"
      className={`${SMALL_INPUT} invalid:border-madder`}
      onChange={(event) => {
        const typed = event.target.value.trim()
        if (typed === '' || /^https?:\/\/[^\s"<>]+$/i.test(typed)) onChange(typed)
      }}
    />
  )
}
