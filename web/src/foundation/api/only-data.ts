interface Asked<D> {
  data?: D
  error?: unknown
}

/**
 * Of a query only what a page shows: its data, or why there are none. That it is being asked again is nothing new to look at, and
 * would draw the page two times more for each change.
 */
export const onlyData =
  <D>() =>
  ({ data, error }: Asked<D>): { data: D | undefined; error: unknown } => ({ data, error })
