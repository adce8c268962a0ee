import { ChevronDown } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { Button } from './Button.tsx'

interface MoreMenuProps {
  /** Of what, for those who hear it. */
  label: string
  acts: readonly { readonly words: string; readonly act: () => void }[]
}

/** What else can be done with something, in words. */
export function MoreMenu({ label, acts }: MoreMenuProps) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger asChild>
        <Button look="quiet" aria-label={label} className="!gap-1 !px-2">
          More <ChevronDown size={16} aria-hidden="true" />
        </Button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          collisionPadding={8}
          className="z-50 min-w-[170px] rounded-md border border-rule bg-card p-1.5 shadow-[0_4px_18px_rgb(30_43_58/0.2)]"
        >
          {acts.map(({ words, act }) => (
            <DropdownMenu.Item
              key={words}
              onSelect={act}
              className="flex min-h-[38px] pointer-coarse:min-h-11 cursor-pointer items-center rounded-tag px-3 data-highlighted:bg-blotter"
            >
              {words}
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
