import type { PlacePageReply } from '@exemplar/core'
import { checkVoltageDrop, computeVoltageDrop, listLeadWays, OHMS_PER_KILOMETRE } from '@exemplar/core'
import { useState } from 'react'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { SelectField } from '../../foundation/form/field.tsx'
import { MeasureField, useMeasures } from '../../foundation/form/measures.tsx'
import { Mark } from '../../foundation/parts/mark.tsx'
import { Section } from '../../foundation/parts/page-parts.tsx'

const VIA = { floor: 'over the floor', overhead: 'overhead', straight: 'straight' } as const

/** How long a lead each socket takes to a spot in the plan, and what a load at its end loses on the way. */
export function LeadMap({ place }: { place: PlacePageReply }) {
  const { data: studio } = useStudioQuery()
  const { sayLength } = useMeasures()
  const { size, sockets } = place.details
  const [spot, setSpot] = useState({
    xMm: Math.round((size?.widthMm ?? 4000) / 2),
    yMm: Math.round((size?.depthMm ?? 4000) / 2),
    zMm: 0,
  })
  const [milliwatts, setMilliwatts] = useState<number | null>(500_000)
  const [section, setSection] = useState('1.5')
  const slack = studio?.leadSlackPercent ?? 15
  const limits = { advisePercent: studio?.dropAdvisePercent ?? 3, warnPercent: studio?.dropWarnPercent ?? 5 }
  const rows = listLeadWays(sockets, spot, slack).map((way) => {
    const circuit = place.circuits.find((it) => it.id === way.circuitId)
    const volts = circuit?.volts ?? studio?.mainsVolts ?? 230
    const drop = computeVoltageDrop(way.leadMm, (milliwatts ?? 0) / 1000 / volts, section) ?? 0
    return {
      ...way,
      circuit: circuit?.name ?? 'circuit unknown',
      volts,
      drop,
      level: checkVoltageDrop(drop, volts, limits),
    }
  })
  return (
    <Section title="Sockets, and the lead to a spot">
      <div className="mt-2 grid grid-cols-2 gap-2 sm:grid-cols-3">
        <MeasureField
          measure="length"
          label="From the left"
          value={spot.xMm}
          onChange={(it) => setSpot({ ...spot, xMm: it ?? 0 })}
        />
        <MeasureField
          measure="length"
          label="From the front"
          value={spot.yMm}
          onChange={(it) => setSpot({ ...spot, yMm: it ?? 0 })}
        />
        <MeasureField
          measure="length"
          label="Above the floor"
          value={spot.zMm}
          onChange={(it) => setSpot({ ...spot, zMm: it ?? 0 })}
        />
        <MeasureField measure="power" label="Load at its end" value={milliwatts} onChange={setMilliwatts} />
        <SelectField label="Copper of the lead" value={section} onChange={(event) => setSection(event.target.value)}>
          {Object.keys(OHMS_PER_KILOMETRE)
            .sort((a, b) => Number(a) - Number(b))
            .map((it) => (
              <option key={it} value={it}>
                {it} mm²
              </option>
            ))}
        </SelectField>
      </div>
      <table className="mt-2">
        <thead>
          <tr>
            <th scope="col">Socket</th>
            <th scope="col" className="text-right">
              Lead
            </th>
            <th scope="col" className="text-right">
              Lost on the way
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((it) => (
            <tr key={it.socketId}>
              <td>
                {it.name}{' '}
                <span className="text-quiet">
                  {it.circuit}, {VIA[it.via]}
                </span>
              </td>
              <td className="figures text-right">{sayLength(it.leadMm)}</td>
              <td className="text-right">
                <Mark level={it.level}>
                  <span className="figures">
                    {it.drop.toFixed(1)} V, {((it.drop / it.volts) * 100).toFixed(1)} %
                  </span>
                </Mark>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-[12px] text-quiet">
        Down, square along the walls and up again; overhead where both ends are high, straight where one is right above
        the other; with {slack} % slack; copper at 20 °C, warm copper loses a fifth more. Keep leads off walkways and
        from under tripod legs, or cover them. Local codes and a licensed electrician decide.
      </p>
    </Section>
  )
}
