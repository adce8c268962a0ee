import { cutOff, cutsOf, type Printed, type PrintedItem, TONES, type Tone } from '@hand-back/core'
import { useRef } from 'react'
import { useStore } from 'zustand'
import { FormulaField } from '../../../page/things/FormulaField.tsx'
import { Button } from '../../../ui/Button.tsx'
import { sayProblem } from '../../../ui/notices.ts'
import { bringPicture } from '../bringPicture.ts'
import { usePreparing } from '../context.ts'
import { ChoiceRow, ColourRow, NumberRow, Row, SMALL_INPUT, TextRow, TickRow } from './rows.tsx'

/** Changes the one thing that is picked; steps with the same `field` in a row are one. */
export type SetOf<Item extends PrintedItem> = (set: Partial<Item>, field?: string) => void

export function TextPanel({ item, set }: { item: Printed<'text'>; set: SetOf<Printed<'text'>> }) {
  return (
    <>
      <TextRow
        label="Words"
        lines={5}
        first
        value={item.text}
        longest={20_000}
        onChange={(text) => set({ text }, 'text')}
      />
      <ChoiceRow
        label="Letters"
        value={item.face}
        options={[
          ['reading', 'for reading'],
          ['plain', 'plain'],
          ['book', 'as in a book'],
        ]}
        onChange={(face) => set({ face })}
      />
      <NumberRow
        label="Size"
        value={item.size}
        least={4}
        most={300}
        onChange={(size) => set({ size }, 'size')}
      />
      <TickRow label="Bold" on={item.bold} onChange={(bold) => set({ bold })} />
      <ChoiceRow
        label="Lines"
        value={item.align}
        options={[
          ['left', 'from the left'],
          ['centre', 'in the middle'],
          ['right', 'to the right'],
        ]}
        onChange={(align) => set({ align })}
      />
      <ChoiceRow
        label="List"
        value={item.list}
        options={[
          ['none', 'no list'],
          ['dots', 'with dots'],
          ['numbers', 'with numbers'],
        ]}
        onChange={(list) => set({ list })}
      />
      <ColourRow label="Colour" value={item.colour} onChange={(colour) => set({ colour }, 'colour')} />
    </>
  )
}

export function DirectionPanel({
  item,
  set,
}: {
  item: Printed<'direction'>
  set: SetOf<Printed<'direction'>>
}) {
  return (
    <>
      <TextRow
        label="What to do"
        lines={4}
        first
        value={item.text}
        longest={20_000}
        onChange={(text) => set({ text }, 'text')}
      />
      <NumberRow
        label="Size"
        value={item.size}
        least={4}
        most={300}
        onChange={(size) => set({ size }, 'size')}
      />
      <div className="flex flex-col gap-1">
        <span>Colour</span>
        <fieldset aria-label="Colour" className="flex gap-1.5">
          {(Object.keys(TONES) as Tone[]).map((tone) => (
            <button
              key={tone}
              type="button"
              aria-label={tone}
              aria-pressed={item.tone === tone}
              onClick={() => set({ tone })}
              className={`h-[30px] w-[38px] rounded-tag border ${item.tone === tone ? 'border-2 border-ink' : 'border-rule'}`}
              style={{ background: TONES[tone][1] }}
            />
          ))}
        </fieldset>
      </div>
    </>
  )
}

export function FormulaPanel({ item, set }: { item: Printed<'formula'>; set: SetOf<Printed<'formula'>> }) {
  return (
    <>
      <FormulaField
        latex={item.latex}
        onDrawn={(latex, drawing) => {
          const size = sizeOf(item)
          set(
            {
              latex,
              drawing,
              width: drawing.width * size,
              height: (drawing.ascent + drawing.descent) * size,
            },
            'latex',
          )
        }}
      />
      <NumberRow
        label="Size"
        value={sizeOf(item)}
        least={4}
        most={300}
        onChange={(size) =>
          set(
            { width: item.drawing.width * size, height: (item.drawing.ascent + item.drawing.descent) * size },
            'size',
          )
        }
      />
      <ColourRow label="Colour" value={item.colour} onChange={(colour) => set({ colour }, 'colour')} />
    </>
  )
}

/** The size of a formula's letters in points. */
function sizeOf({ drawing, height }: Printed<'formula'>): number {
  const tall = drawing.ascent + drawing.descent
  return tall > 0 ? height / tall : 18
}

export function PicturePanel({ item, set }: { item: Printed<'picture'>; set: SetOf<Printed<'picture'>> }) {
  const { worksheet } = usePreparing()
  const input = useRef<HTMLInputElement>(null)
  const replace = async (file: File | undefined) => {
    if (!file) return
    try {
      const { file: sha256, width, height } = await bringPicture(worksheet.id, file)
      const whole = { x: 0, y: 0, width: 1, height: 1 }
      set({ file: sha256, crop: whole, height: (item.width * height) / width })
    } catch (error) {
      sayProblem(error)
    }
  }
  const cuts = cutsOf(item)
  return (
    <>
      <TextRow
        label="In words, for those who cannot see it"
        lines={2}
        first
        value={item.alt}
        longest={500}
        onChange={(alt) => set({ alt }, 'alt')}
      />
      <fieldset className="flex flex-col gap-1">
        <legend className="mb-1">Cut off</legend>
        {(['left', 'right', 'top', 'bottom'] as const).map((side) => (
          <Row key={side} label={side}>
            {(id) => (
              <input
                id={id}
                type="range"
                min={0}
                max={95}
                value={Math.round(cuts[side] * 100)}
                onChange={(event) => set(cutOff(item, side, Number(event.target.value) / 100), 'crop')}
                className="w-full accent-verdigris"
              />
            )}
          </Row>
        ))}
      </fieldset>
      <Button onClick={() => input.current?.click()}>Another picture</Button>
      <input
        ref={input}
        type="file"
        accept="image/png,image/jpeg,image/webp"
        aria-label="Another picture: a file"
        className="hidden"
        onChange={(event) => {
          void replace(event.target.files?.[0])
          event.target.value = ''
        }}
      />
    </>
  )
}

export function PiecePanel({ item, set }: { item: Printed<'piece'>; set: SetOf<Printed<'piece'>> }) {
  return (
    <TextRow
      label="In words, for those who cannot see it"
      lines={2}
      value={item.alt}
      longest={500}
      onChange={(alt) => set({ alt }, 'alt')}
    />
  )
}

export function LinkPanel({ item, set }: { item: Printed<'link'>; set: SetOf<Printed<'link'>> }) {
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
