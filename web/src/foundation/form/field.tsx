import { type ComponentProps, type ReactNode, useEffect, useId, useRef } from 'react'

export const INPUT_BOX =
  'w-full rounded-paper border border-rule-strong bg-sheet px-2.5 text-[14px] text-ink placeholder:text-quiet aria-invalid:border-stop'

export function Frame({
  id,
  label,
  hint,
  problem,
  isLabelHidden = false,
  children,
}: {
  id: string
  label: string
  hint?: string
  problem?: string
  isLabelHidden?: boolean
  children: ReactNode
}) {
  return (
    <div className="min-w-0">
      <label htmlFor={id} className={isLabelHidden ? 'sr-only' : 'mb-1 block text-[12px] font-semibold'}>
        {label}
      </label>
      {children}
      {hint && !problem && (
        <p id={`${id}-hint`} className="mt-1 text-[12px] text-quiet">
          {hint}
        </p>
      )}
      {problem && (
        <p id={`${id}-problem`} className="mt-1 text-[12px] font-semibold text-stop">
          {problem}
        </p>
      )}
    </div>
  )
}

interface Shared {
  label: string
  /** For a cell of a table whose column says what it is. */
  isLabelHidden?: boolean
  hint?: string
  problem?: string
}

function describe(id: string, { hint, problem }: Shared) {
  return {
    'aria-invalid': problem ? true : undefined,
    'aria-describedby': problem ? `${id}-problem` : hint ? `${id}-hint` : undefined,
  }
}

export function TextField({
  label,
  hint,
  problem: told,
  unread,
  isLabelHidden,
  className = '',
  ...rest
}: Shared & { unread?: string } & ComponentProps<'input'>) {
  const id = useId()
  const problem = unread ?? told
  return (
    <Frame id={id} label={label} hint={hint} problem={problem} isLabelHidden={isLabelHidden}>
      <input
        id={id}
        className={`${INPUT_BOX} h-9 ${className}`}
        // What cannot be read holds its form back: see `useRefuseUnread`.
        data-unread={unread ? true : undefined}
        {...describe(id, { label, hint, problem })}
        {...rest}
      />
    </Frame>
  )
}

export function NoteField({ label, hint, problem, ...rest }: Shared & ComponentProps<'textarea'>) {
  const id = useId()
  return (
    <Frame id={id} label={label} hint={hint} problem={problem}>
      <textarea
        id={id}
        rows={3}
        className={`${INPUT_BOX} py-1.5`}
        {...describe(id, { label, hint, problem })}
        {...rest}
      />
    </Frame>
  )
}

export function SelectField({ label, hint, problem, children, ...rest }: Shared & ComponentProps<'select'>) {
  const id = useId()
  const select = useRef<HTMLSelectElement>(null)
  const { value } = rest
  // Options that are fetched by themselves may come after the value was set: the browser chose the first one meanwhile.
  useEffect(() => {
    if (!select.current || value === undefined) return
    const observer = new MutationObserver(() => {
      if (select.current) select.current.value = String(value)
    })
    observer.observe(select.current, { childList: true })
    return () => observer.disconnect()
  }, [value])
  return (
    <Frame id={id} label={label} hint={hint} problem={problem}>
      <select ref={select} id={id} className={`${INPUT_BOX} h-9`} {...describe(id, { label, hint, problem })} {...rest}>
        {children}
      </select>
    </Frame>
  )
}

export function CheckField({ label, ...rest }: { label: ReactNode } & ComponentProps<'input'>) {
  const id = useId()
  return (
    <label htmlFor={id} className="flex min-h-7 items-center gap-2 text-[13px]">
      <input id={id} type="checkbox" className="size-4 accent-(--ink)" {...rest} />
      {label}
    </label>
  )
}

/** What is wrong with the form as a whole. */
export function FormProblem({ text }: { text: string | null }) {
  if (!text) return null
  return (
    <p role="alert" className="border-l-4 border-stop bg-stop-wash px-3 py-2 text-[13px] font-semibold text-stop">
      {text}
    </p>
  )
}
