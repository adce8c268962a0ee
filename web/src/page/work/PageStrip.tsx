import { Redo2, Undo2 } from 'lucide-react'
import { Popover } from 'radix-ui'
import { type ReactNode, useContext, useState } from 'react'
import { OneOf, Option } from '../../ui/OneOf.tsx'
import { StripBar } from '../strip/StripBar.tsx'
import { StripButton } from '../strip/StripButton.tsx'
import { StripCard, Upright } from '../strip/StripCard.tsx'
import { ALL_TOOLS, type ToolName } from '../tools/index.ts'
import type { Ways } from '../tools/tool.ts'
import type { Tools } from '../tools/useTools.ts'
import { SwatchStrip } from './SwatchStrip.tsx'

interface PageStripProps {
  tools: Tools
  canUndo: boolean
  canRedo: boolean
  onUndo: () => void
  onRedo: () => void
  /** Stands in place of the pens, while something is picked up. */
  picked: ReactNode
  /** More tools after the eraser and the loop. */
  children: ReactNode
  /** Along a side instead of below. */
  upright: boolean
}

/** The one row of controls of a page that is written on. */
export function PageStrip({
  tools,
  canUndo,
  canRedo,
  onUndo,
  onRedo,
  picked,
  children,
  upright,
}: PageStripProps) {
  return (
    <StripBar
      label="Writing"
      upright={upright}
      fixed={
        <>
          <StripButton icon={Undo2} label="Undo" onClick={onUndo} disabled={!canUndo} />
          <StripButton icon={Redo2} label="Redo" onClick={onRedo} disabled={!canRedo} />
          <Divider />
        </>
      }
    >
      {picked || (
        <>
          <SwatchStrip tools={tools} />
          <Divider />
          {ALL_TOOLS.map(
            ([name, { label, icon, ways }]) =>
              label &&
              (ways ? (
                <TwoWays key={name} tools={tools} tool={name} label={label} ways={ways} />
              ) : (
                icon && (
                  <StripButton
                    key={name}
                    icon={icon}
                    label={label}
                    pressed={tools.tool === name}
                    onClick={() => tools.setTool(name)}
                  />
                )
              )),
          )}
        </>
      )}
      {children}
    </StripBar>
  )
}

interface TwoWaysProps {
  tools: Tools
  tool: ToolName
  label: string
  ways: Ways
}

/** A tool that works in two ways. A tap takes it in hand; a tap on the one in hand offers its ways. */
function TwoWays({ tools, tool, label, ways: { setting, legend, options } }: TwoWaysProps) {
  const [open, setOpen] = useState(false)
  const inHand = tools.tool === tool
  const way = tools.way[setting]
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <StripButton
          icon={options.find(({ value }) => value === way)!.icon}
          label={label}
          pressed={inHand}
          hint={inHand ? 'Press again to change how' : undefined}
          onClick={(event) => {
            if (inHand) return
            event.preventDefault()
            tools.setTool(tool)
          }}
        />
      </Popover.Trigger>
      <StripCard width="15rem">
        <fieldset>
          <legend className="mb-2 font-semibold">{legend}</legend>
          <OneOf
            label={legend}
            value={way}
            onChoose={(value) => {
              tools.setWay(setting, value)
              setOpen(false)
            }}
            onClear={() => setOpen(false)}
            className="flex flex-col gap-2"
          >
            {options.map(({ value, words }) => (
              <Option
                key={value}
                value={value}
                className={`min-h-[44px] rounded-tag border px-3 text-left ${way === value ? 'border-ink bg-ink font-semibold text-sheet' : 'border-rule bg-sheet'}`}
              >
                {words}
              </Option>
            ))}
          </OneOf>
        </fieldset>
      </StripCard>
    </Popover.Root>
  )
}

function Divider() {
  const upright = useContext(Upright)
  return (
    <span
      aria-hidden="true"
      className={`shrink-0 bg-rule ${upright ? 'my-1 h-px w-14' : 'mx-1.5 h-9 w-px @max-[900px]:mx-0.5'}`}
    />
  )
}
