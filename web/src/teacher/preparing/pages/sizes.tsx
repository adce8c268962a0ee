import { mm, PAGE_SIZES } from '@hand-back/core'
import { useState } from 'react'
import { ChoiceRow, NumberRow, TickRow } from '../panels/rows.tsx'

type SizeName = keyof typeof PAGE_SIZES | 'own'

/** A page's size being chosen: one that is known, upright or lying, or one's own in millimetres. */
export function usePageSize(first: { width: number; height: number } = PAGE_SIZES.A4) {
  const [name, setName] = useState<SizeName>(() => nameOf(first))
  const [lying, setLying] = useState(first.width > first.height && nameOf(first) !== 'Screen 16 : 9')
  const [own, setOwn] = useState({ width: Math.round(first.width), height: Math.round(first.height) })
  const upright = name === 'own' ? own : PAGE_SIZES[name]
  const turns = name !== 'own' && name !== 'Square' && name !== 'Screen 16 : 9'
  const chosen = turns && lying ? { width: upright.height, height: upright.width } : upright
  const rows = (
    <div className="flex flex-col gap-2">
      <ChoiceRow
        label="Size"
        value={name}
        options={[
          ...Object.keys(PAGE_SIZES).map((each) => [each as SizeName, each] as const),
          ['own', 'another size'],
        ]}
        onChange={setName}
      />
      {turns && <TickRow label="Landscape" on={lying} onChange={setLying} />}
      {name === 'own' && (
        <>
          <NumberRow
            label="mm wide"
            value={own.width}
            least={20}
            most={5000}
            onChange={(width) => setOwn({ ...own, width })}
          />
          <NumberRow
            label="mm high"
            value={own.height}
            least={20}
            most={5000}
            onChange={(height) => setOwn({ ...own, height })}
          />
        </>
      )}
    </div>
  )
  return { size: { width: mm(chosen.width), height: mm(chosen.height) }, rows }
}

/** The name of a size in millimetres, either way up. */
function nameOf({ width, height }: { width: number; height: number }): SizeName {
  const near = (a: number, b: number) => Math.abs(a - b) < 1
  for (const [name, size] of Object.entries(PAGE_SIZES)) {
    const same = near(size.width, width) && near(size.height, height)
    const turned = near(size.width, height) && near(size.height, width)
    if (same || turned) return name as SizeName
  }
  return 'own'
}
