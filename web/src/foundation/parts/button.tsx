import type { ComponentProps } from 'react'
import { Link, type LinkProps } from 'react-router'

type Look = 'act' | 'plain' | 'quiet'

const LOOKS: Record<Look, string> = {
  act: 'border-ink bg-ink text-ground',
  plain: 'border-rule-strong bg-sheet text-ink hover:bg-wash',
  quiet: 'border-transparent bg-transparent text-ink hover:bg-wash',
}

function findClasses(look: Look, size: 'usual' | 'small' | 'thumb', extra = ''): string {
  const sizes = {
    usual: 'h-[30px] px-[11px] text-[13px]',
    small: 'h-[26px] px-2 text-[12px]',
    thumb: 'h-11 px-4 text-[15px]',
  }
  return `inline-flex items-center justify-center gap-1.5 rounded-paper border font-semibold whitespace-nowrap no-underline disabled:cursor-not-allowed disabled:opacity-50 [&_svg]:size-[15px] [&_svg]:shrink-0 ${LOOKS[look]} ${sizes[size]} ${extra}`
}

interface Shape {
  look?: Look
  size?: 'usual' | 'small' | 'thumb'
}

export function Button({
  look = 'plain',
  size = 'usual',
  className,
  type = 'button',
  ...rest
}: Shape & ComponentProps<'button'>) {
  return <button type={type} className={findClasses(look, size, className)} {...rest} />
}

export function ButtonLink({ look = 'plain', size = 'usual', className, ...rest }: Shape & LinkProps) {
  return <Link className={findClasses(look, size, className)} {...rest} />
}
