import { X } from 'lucide-react'
import { Dialog } from 'radix-ui'
import { type ReactNode, useRef } from 'react'

/** A sheet of paper over the page: centred on a desk, from the foot on a phone. */
export function SheetDialog({
  open,
  onClose,
  title,
  description,
  children,
  wide = false,
}: {
  open: boolean
  onClose(): void
  title: string
  description?: string
  children: ReactNode
  wide?: boolean
}) {
  const opener = useRef<Element | null>(null)
  return (
    <Dialog.Root open={open} onOpenChange={(isOpen) => !isOpen && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-[#161815]/40" />
        <Dialog.Content
          className={`fixed inset-x-0 bottom-0 z-50 max-h-[92dvh] overflow-y-auto border border-rule-strong bg-sheet p-5 md:inset-auto md:top-[8vh] md:left-1/2 md:max-h-[84vh] md:w-full md:-translate-x-1/2 ${wide ? 'md:max-w-[760px]' : 'md:max-w-[520px]'}`}
          {...(description ? {} : { 'aria-describedby': undefined })}
          // Sheets are opened by state and have no trigger of their own to go back to.
          onOpenAutoFocus={() => {
            opener.current = document.activeElement
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault()
            if (opener.current instanceof HTMLElement) opener.current.focus()
          }}
          // Escape first closes a list that is open in the sheet, and puts back what was chosen there.
          onEscapeKeyDown={(event) => isInOpenList(event.target) && event.preventDefault()}
        >
          <div className="mb-3 flex items-start justify-between gap-4">
            <div>
              <Dialog.Title className="text-[18px] font-bold tracking-tight">{title}</Dialog.Title>
              {description && (
                <Dialog.Description className="mt-0.5 text-[13px] text-quiet">{description}</Dialog.Description>
              )}
            </div>
            <Dialog.Close className="rounded-paper p-1 hover:bg-wash" aria-label="Close">
              <X className="size-4" aria-hidden />
            </Dialog.Close>
          </div>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}

const isInOpenList = (target: EventTarget | null) =>
  target instanceof Element && target.closest('[role="combobox"][aria-expanded="true"]') !== null
