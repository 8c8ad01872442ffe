import { ACCESS_ROLE_NAMES } from '@exemplar/core'
import { CircleUserRound } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useMeQuery, useSignOutMutation } from '../foundation/api/session.ts'
import { readTheme, THEMES, writeTheme } from '../foundation/parts/theme.ts'
import { MENU, MENU_ITEM } from '../foundation/words/menu.ts'
import { useWording, type Wording, writeWording } from '../foundation/words/wording.ts'

const THEME_NAMES = { system: 'As the system', light: 'Light', dark: 'Dark' }
const WORDING_NAMES: Record<Wording, string> = { figures: 'Figures', plain: 'Plain words' }

/** Who is signed in here, how it looks to them, and the way out. */
export function PersonMenu({ onKeys, className = '' }: { onKeys(): void; className?: string }) {
  const { data: me } = useMeQuery()
  const [signOut] = useSignOutMutation()
  const [theme, setTheme] = useState(readTheme)
  const wording = useWording()
  const navigate = useNavigate()
  const name = me?.person?.name ?? ''
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger aria-label={`${name}: your menu`} className={className}>
        <CircleUserRound className="size-[18px]" strokeWidth={1.7} aria-hidden />
        <span className="hidden max-w-[76px] truncate md:block">{name.split(' ')[0]}</span>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" collisionPadding={8} className={MENU}>
          <DropdownMenu.Label className="px-3 py-1.5">
            <b className="block">{name}</b>
            <span className="text-[12px] text-quiet">{me?.role && ACCESS_ROLE_NAMES[me.role].label}</span>
          </DropdownMenu.Label>
          <DropdownMenu.Separator className="my-1 border-t border-rule" />
          <Choice
            label="Light"
            value={theme}
            names={THEME_NAMES}
            onChange={(next) => {
              const chosen = THEMES.find((it) => it === next) ?? 'system'
              writeTheme(chosen)
              setTheme(chosen)
            }}
          />
          <DropdownMenu.Separator className="my-1 border-t border-rule" />
          <Choice
            label="Findings in"
            value={wording}
            names={WORDING_NAMES}
            onChange={(next) => writeWording(next === 'plain' ? 'plain' : 'figures')}
          />
          <DropdownMenu.Separator className="my-1 border-t border-rule" />
          <DropdownMenu.Item className={MENU_ITEM} onSelect={onKeys}>
            Keys
          </DropdownMenu.Item>
          <DropdownMenu.Item className={MENU_ITEM} onSelect={() => navigate('/studio/me')}>
            Password and devices
          </DropdownMenu.Item>
          <DropdownMenu.Item className={MENU_ITEM} onSelect={() => signOut({ everywhere: false })}>
            Sign out
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  )
}

function Choice<K extends string>({
  label,
  value,
  names,
  onChange,
}: {
  label: string
  value: K
  names: Record<K, string>
  onChange(value: string): void
}) {
  return (
    <>
      <DropdownMenu.Label className="px-3 py-1 text-[12px] text-quiet">{label}</DropdownMenu.Label>
      <DropdownMenu.RadioGroup value={value} onValueChange={onChange}>
        {(Object.keys(names) as K[]).map((it) => (
          <DropdownMenu.RadioItem key={it} value={it} className={MENU_ITEM}>
            {names[it]}
            <DropdownMenu.ItemIndicator className="ml-auto">on</DropdownMenu.ItemIndicator>
          </DropdownMenu.RadioItem>
        ))}
      </DropdownMenu.RadioGroup>
    </>
  )
}
