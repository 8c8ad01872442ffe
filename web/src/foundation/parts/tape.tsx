/** A strip of cloth tape: the identity of a setup, wherever it appears. The code always stands on it. */
export function TapeStrip({
  code,
  tape,
  name,
  size = 'usual',
}: {
  code: string
  tape: string
  name?: string
  size?: 'big' | 'usual' | 'small'
}) {
  return (
    <span
      className="tape"
      data-tape={tape}
      data-size={size}
      style={{ '--tape-colour': `var(--tape-${tape})` } as React.CSSProperties}
    >
      <b>{code}</b>
      {name && <span className="truncate">{name}</span>}
    </span>
  )
}
