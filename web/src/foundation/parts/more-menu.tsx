import { ChevronDown } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import type { ReactNode } from 'react'
import { MENU } from '../words/menu.ts'

/** What else can be done on a page, behind one button. */
export function MoreMenu({ children }: { children: ReactNode }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="inline-flex h-[30px] items-center gap-1.5 rounded-paper border border-rule-strong bg-sheet px-[11px] text-[13px] font-semibold hover:bg-wash">
        More
        <ChevronDown className="size-[15px]" aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" collisionPadding={8} className={MENU}>
          {children}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}
