import { type CodeKind, type LabelSheet, placeCode } from '@exemplar/core'
import { toSVG } from 'bwip-js/browser'

export interface LabelFacts {
  tag: string
  name: string
  /** The setup whose tape it carries; null without. */
  tape: { code: string; tape: string } | null
}

interface Shape {
  width: number
  height: number
  inner: string
}

/** The code of a tag as SVG shapes, with its own measure: QR (ISO/IEC 18004) or Code 128 (ISO/IEC 15417). */
function drawCode(tag: string, kind: CodeKind): Shape {
  const options =
    kind === 'qr' ? { bcid: 'qrcode', text: tag, eclevel: 'M' } : { bcid: 'code128', text: tag, height: 10 }
  const svg = toSVG(options)
  const [, width = '1', height = '1'] = /viewBox="0 0 ([\d.]+) ([\d.]+)"/.exec(svg) ?? []
  return {
    width: Number(width),
    height: Number(height),
    inner: svg.replace(/^<svg[^>]*>/, '').replace(/<\/svg>\s*$/, ''),
  }
}

/** Cuts a name into at most two lines of so many letters. */
function cutName(name: string, letters: number): string[] {
  const lines = ['', '']
  for (const word of name.split(' ')) {
    const at = `${lines[0]} ${word}`.trim().length <= letters && lines[1] === '' ? 0 : 1
    lines[at] = `${lines[at]} ${word}`.trim()
  }
  return lines.filter(Boolean).map((it) => (it.length > letters ? `${it.slice(0, letters - 1)}…` : it))
}

/** One label in millimetres: the code with its quiet zone, the tag in large, the name, and the tape of its setup. */
export function Label({
  sheet,
  facts,
  kind,
  xMm,
  yMm,
}: {
  sheet: LabelSheet
  facts: LabelFacts
  kind: CodeKind
  xMm: number
  yMm: number
}) {
  const { labelWidthMm: width, labelHeightMm: height } = sheet
  const code = drawCode(facts.tag, kind)
  const pad = Math.min(3, height * 0.1)
  const isQr = kind === 'qr'
  const place = placeCode(sheet, kind)
  const box = { x: xMm + place.xMm, y: yMm + place.yMm, width: place.widthMm, height: place.heightMm }
  // The quiet zone is kept between the code and the words too.
  const left = isQr ? box.x + box.width + place.xMm : xMm + pad
  const room = xMm + width - pad - left
  const big = Math.min(6, room / (facts.tag.length * 0.62), height * 0.24)
  const small = Math.min(3, height * 0.11)
  const top = yMm + pad + big * 0.85
  return (
    <g data-tag={facts.tag}>
      <rect x={xMm} y={yMm} width={width} height={height} fill="#fff" />
      <svg
        {...box}
        viewBox={`0 0 ${code.width} ${code.height}`}
        preserveAspectRatio={isQr ? 'xMidYMid meet' : 'none'}
        shapeRendering="crispEdges"
      >
        <title>{facts.tag}</title>
        {/* biome-ignore lint/security/noDangerouslySetInnerHtml: shapes that the code's own maker drew, of a tag that holds letters, digits and dashes */}
        <g dangerouslySetInnerHTML={{ __html: code.inner }} />
      </svg>
      <text x={left} y={top} fontSize={big} fontWeight={700} fontFamily="var(--face-mono)">
        {facts.tag}
      </text>
      {cutName(facts.name, Math.max(6, Math.floor(room / (small * 0.55)))).map((line, at) => (
        <text
          key={line}
          x={left}
          y={top + small * 1.5 + at * small * 1.2}
          fontSize={small}
          fontFamily="var(--face-text)"
        >
          {line}
        </text>
      ))}
      {facts.tape && isQr && (
        <g>
          <rect
            x={left}
            y={yMm + height - pad - small * 1.9}
            width={small * 4.4}
            height={small * 1.9}
            fill={`var(--tape-${facts.tape.tape})`}
          />
          <text
            x={left + small * 2.2}
            y={yMm + height - pad - small * 0.55}
            textAnchor="middle"
            fontSize={small * 1.15}
            fontWeight={700}
            fontFamily="var(--face-mono)"
            fill={facts.tape.tape === 'straw' ? '#2b2413' : '#fff'}
          >
            {facts.tape.code}
          </text>
        </g>
      )}
    </g>
  )
}
