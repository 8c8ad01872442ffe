import { PICTURE_KINDS, type PictureKind } from '@exemplar/core'
import { Link, useSearchParams } from 'react-router'
import { PICTURE_NAMES } from '../pictures/picture-names.ts'

const BOARD = 'roles'
const LOOK = 'look'
/** A view beside the board: a picture of joints, or what cameras see and lamps give. */
export type SetupView = PictureKind | typeof LOOK | null

/** Which view of a setup is open: its roles, or one of its pictures. It stands in the address, so that a picture can be sent. */
export function useSetupView(): SetupView {
  const [params] = useSearchParams()
  const asked = params.get('view')
  return asked === LOOK ? LOOK : (PICTURE_KINDS.find((it) => it === asked) ?? null)
}

/** The views of a setup beside each other. */
export function SetupViews({ view }: { view: SetupView }) {
  return (
    <nav aria-label="Views of the setup" className="no-print border-b border-rule px-4 md:px-5">
      <ul className="flex flex-wrap gap-x-5">
        {[BOARD, ...PICTURE_KINDS, LOOK].map((it) => {
          const isOpen = it === (view ?? BOARD)
          return (
            <li key={it}>
              <Link
                to={it === BOARD ? '?' : `?view=${it}`}
                aria-current={isOpen ? 'page' : undefined}
                className={`block border-b-2 py-1.5 text-[13px] font-semibold no-underline ${isOpen ? 'border-ink text-ink' : 'border-transparent text-quiet hover:text-ink'}`}
              >
                {it === BOARD ? 'Roles' : it === LOOK ? 'Picture and light' : PICTURE_NAMES[it as PictureKind].label}
              </Link>
            </li>
          )
        })}
      </ul>
    </nav>
  )
}
