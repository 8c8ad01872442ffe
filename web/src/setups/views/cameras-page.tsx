import type { AngleReply } from '@exemplar/core'
import { sayFraming, sayNumber, trim } from '@exemplar/core'
import { Link } from 'react-router'
import { useMeasures } from '../../foundation/form/measures.tsx'
import { Empty, PageHead, Tag, Waiting } from '../../foundation/parts/page-parts.tsx'
import { TapeStrip } from '../../foundation/parts/tape.tsx'
import { WorkingPaper } from '../../foundation/parts/working-paper.tsx'
import { useTimeWords } from '../../foundation/words/time-words.ts'
import { useCamerasQuery } from '../rig-api.ts'

export const sayFocal = ({ focalMm, focalMinMm, focalMaxMm }: AngleReply): string => {
  if (focalMm !== null) return `${trim(focalMm, 1)} mm`
  if (focalMinMm === null) return 'not recorded'
  return `${trim(focalMinMm, 1)} to ${trim(focalMaxMm ?? focalMinMm, 1)} mm`
}

/** Every angle of every setup with its body and lens, what it frames, and how another body there would frame alike. */
export function CamerasPage() {
  const { data, error, refetch } = useCamerasQuery()
  if (!data) return <Waiting what="the cameras" error={error} onRetry={refetch} />
  const setups = data.filter((it) => it.angles.length > 0)
  const count = setups.reduce((sum, it) => sum + it.angles.length, 0)
  return (
    <>
      <PageHead
        title="Cameras and angles"
        aside={`${sayNumber(count, 'angle')} in ${sayNumber(setups.length, 'setup')}`}
      />
      <div className="px-4 pb-8 md:px-5">
        {setups.length === 0 && (
          <Empty title="No camera is in a setup yet">
            Put one into a role. With its sensor, its lens and a distance, Exemplar says what it frames.
          </Empty>
        )}
        {setups.map((setup) => (
          <section key={setup.id} className="mt-5" aria-label={setup.name}>
            <h2>
              <Link to={`/setups/${setup.id}`} className="no-underline">
                <TapeStrip code={setup.code} tape={setup.tape} name={setup.name} />
              </Link>
            </h2>
            <AngleList angles={setup.angles} />
          </section>
        ))}
        <p className="mt-4 max-w-[70ch] text-[12px] text-quiet">
          Framed width = sensor width × (distance − focal length) / focal length, at the distance that is focused. Two
          bodies frame alike where focal length and the width of the sensor in use are in proportion; what differs then
          is the depth that is sharp.
        </p>
      </div>
    </>
  )
}

function AngleList({ angles }: { angles: readonly AngleReply[] }) {
  const { sayLength } = useMeasures()
  const known = (mm: number | null) => (mm === null ? 'not recorded' : sayLength(mm))
  return (
    <ul className="mt-2">
      {angles.map((it) => (
        <li
          key={it.roleId}
          className="grid gap-x-4 gap-y-1 border-b border-rule py-2 text-[13px] md:grid-cols-[minmax(120px,170px)_1fr_1fr]"
        >
          <b className="font-semibold">{it.angle}</b>
          <span>
            <Tag>{it.tag}</Tag> {it.name}
            <span className="block">
              {it.lens ? (
                <>
                  <Tag>{it.lens.tag}</Tag> {it.lens.name},{' '}
                </>
              ) : (
                'no lens of its own, '
              )}
              {sayFocal(it)}
            </span>
            <span className="block text-quiet">
              {it.distanceMm === null ? 'distance not recorded' : `from ${sayLength(it.distanceMm)}`}
              {it.heightMm !== null && `, ${sayLength(it.heightMm)} high`}
            </span>
          </span>
          <span>
            {it.frameWidthMm !== null ? (
              <b className="font-semibold">Frames {sayLength(Math.round(it.frameWidthMm))} across</b>
            ) : (
              <span className="text-quiet">Cannot tell what it frames</span>
            )}
            {it.viewDegrees !== null && <span className="text-quiet">, {trim(it.viewDegrees, 0)}°</span>}
            {differs(it) &&
              it.modes.map((mode) => (
                <span key={mode.label} className="block text-quiet">
                  {mode.label}
                  {mode.isChosen && ' (chosen)'}: {trim(mode.activeWidthMm, 1)} mm of sensor
                  {mode.widestInRoomMm !== null &&
                    `, at most ${sayLength(Math.round(mode.widestInRoomMm))} in this room`}
                </span>
              ))}
            {!differs(it) && it.modes[0]?.widestInRoomMm != null && (
              <span className="block text-quiet">
                at most {known(Math.round(it.modes[0].widestInRoomMm))} in this room
              </span>
            )}
            <Framing angle={it} />
            {it.alike.map(({ tag, like }) => (
              <span key={tag} className="block text-quiet">
                {like
                  ? `Alike on ${tag}: ${like.tag} at ${trim(like.focalMm, 0)} mm${sayError(like.errorPercent)}`
                  : `No lens for ${tag} with its focal length recorded`}
              </span>
            ))}
          </span>
        </li>
      ))}
    </ul>
  )
}

/** Whether some way to record uses less of the sensor than another. */
const differs = ({ modes }: AngleReply) => new Set(modes.map((it) => it.activeWidthMm)).size > 1

function Framing({ angle }: { angle: AngleReply }) {
  const { system } = useTimeWords()
  const words = sayFraming(angle, system)
  return words && <WorkingPaper words={words} />
}

function sayError(percent: number): string {
  const off = Math.abs(percent)
  if (off < 0.5) return ', the same'
  return `, ${trim(off, 0)} % ${percent > 0 ? 'wider' : 'closer'}`
}
