import { Redo2, Undo2 } from 'lucide-react'
import { type ReactNode, useContext } from 'react'
import { neatSign } from '../neat/neatSign.ts'
import type { Neatening } from '../neat/useNeat.ts'
import { StaysInSight, StripBar } from '../strip/StripBar.tsx'
import { StripButton } from '../strip/StripButton.tsx'
import { Upright } from '../strip/upright.ts'
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
  /** What was drawn last can be made neat. */
  neat: Neatening
  /** Stands in place of the pens, while something is picked up. */
  picked: ReactNode
  /** What is laid on the page, and how it is seen. */
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
  neat,
  picked,
  children,
  upright,
}: PageStripProps) {
  return (
    <StripBar label="Writing" upright={upright}>
      {picked || (
        <>
          <SwatchStrip tools={tools} />
          <Divider />
          {/* What changes what is there stands together. */}
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
      <StaysInSight>
        <StripButton icon={Undo2} label="Undo" onClick={onUndo} disabled={!canUndo} />
        {/* Where something was drawn just now there is nothing to do again. */}
        {neat.offered ? (
          <StripButton icon={neatSign(neat.offered)} label="Neat" offered onClick={neat.take} />
        ) : (
          <StripButton icon={Redo2} label="Redo" onClick={onRedo} disabled={!canRedo} />
        )}
      </StaysInSight>
      {!picked && <Divider />}
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

/** A tool that works in two ways: not in hand it is one press, in hand its ways stand side by side. */
function TwoWays({ tools, tool, label, ways: { setting, legend, options } }: TwoWaysProps) {
  const upright = useContext(Upright)
  const way = tools.way[setting]
  const now = options.find(({ value }) => value === way)!
  if (tools.tool !== tool)
    return <StripButton icon={now.icon} label={label} onClick={() => tools.setTool(tool)} />
  return (
    <fieldset
      aria-label={legend}
      className={`flex shrink-0 rounded-tag bg-blotter [&_button]:w-[58px] [&_button]:min-w-0 [&_button]:px-0.5 [&_button]:leading-none [&_button]:whitespace-normal @max-[900px]:[&_button]:w-[46px] @max-[900px]:[&_button]:text-xs ${upright ? 'flex-col self-stretch' : ''}`}
    >
      {options.map(({ value, words, icon }) => (
        <StripButton
          key={value}
          icon={icon}
          label={words}
          aria-label={`${label}: ${words}`}
          pressed={value === way}
          onClick={() => tools.setWay(setting, value)}
        />
      ))}
    </fieldset>
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
