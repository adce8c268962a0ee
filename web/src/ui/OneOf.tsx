import { ToggleGroup } from 'radix-ui'
import type { ComponentProps, ReactNode } from 'react'

interface OneOfProps<Value extends string> {
  /** What is chosen here, for those who hear it. Left out where a legend says it. */
  label?: string
  value: Value | undefined
  onChoose: (value: Value) => void
  /** Pressed again, what is chosen is chosen no more. */
  onClear?: () => void
  className?: string
  children: ReactNode
}

/** One of several, side by side: a press or an arrow key chooses. */
export function OneOf<Value extends string>({
  label,
  value,
  onChoose,
  onClear,
  className,
  children,
}: OneOfProps<Value>) {
  return (
    <ToggleGroup.Root
      type="single"
      {...(label === undefined ? {} : { 'aria-label': label })}
      value={value ?? ''}
      onValueChange={(to) => (to === '' ? onClear?.() : onChoose(to as Value))}
      className={className}
    >
      {children}
    </ToggleGroup.Root>
  )
}

/** One that can be chosen; `data-[state=on]` says that it is. */
export function Option(props: ComponentProps<typeof ToggleGroup.Item>) {
  return <ToggleGroup.Item {...props} />
}
