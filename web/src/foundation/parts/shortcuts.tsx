import { useEffect } from 'react'
import { useNavigate } from 'react-router'
import { SheetDialog } from './sheet-dialog.tsx'

export const ROOMS = [
  { path: '/today', name: 'Today' },
  { path: '/kit', name: 'Kit' },
  { path: '/setups', name: 'Setups' },
  { path: '/diary', name: 'Diary' },
  { path: '/bench', name: 'Bench' },
  { path: '/ledger', name: 'Ledger' },
] as const

export function isTyping(target: EventTarget | null): boolean {
  return target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
}

/** A digit counts once no key has followed it at a scanner's pace: tags hold digits too. */
const LONE_KEY_MS = 60

/** 1 to 6 for the rooms, / and Ctrl+K to find, n for something new, ? for this list. Silent while somebody types. */
export function useShortcuts(actions: { find(): void; help(): void; add(): void }): void {
  const navigate = useNavigate()
  useEffect(() => {
    let waiting = 0
    const onKey = (event: KeyboardEvent) => {
      window.clearTimeout(waiting)
      const isFind = (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k'
      if (!isFind && (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target))) return
      if (!isFind && document.querySelector('[role="dialog"], [role="menu"]')) return
      const room = ROOMS[Number(event.key) - 1]
      if (isFind || event.key === '/') actions.find()
      else if (event.key === '?') actions.help()
      else if (event.key === 'n') actions.add()
      else if (room) waiting = window.setTimeout(() => navigate(room.path), LONE_KEY_MS)
      else return
      event.preventDefault()
    }
    window.addEventListener('keydown', onKey)
    return () => {
      window.clearTimeout(waiting)
      window.removeEventListener('keydown', onKey)
    }
  }, [actions, navigate])
}

export function ShortcutList({ open, onClose }: { open: boolean; onClose(): void }) {
  const rows = [
    ...ROOMS.map((room, index) => [String(index + 1), `Go to ${room.name}`]),
    ['/ or Ctrl+K', 'Find anything'],
    ['n', 'Something new'],
    ['?', 'This list'],
    ['Esc', 'Close what is open'],
  ]
  return (
    <SheetDialog open={open} onClose={onClose} title="Keys">
      <table>
        <tbody>
          {rows.map(([key, what]) => (
            <tr key={key}>
              <td className="w-32 font-mono">{key}</td>
              <td>{what}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </SheetDialog>
  )
}
