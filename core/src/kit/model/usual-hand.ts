/** A usual figure passes where the true one could be so many times as bad. */
export const USUAL_HAND = 2
