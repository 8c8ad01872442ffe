/** Minutes that k packs run a device: Wh · health · efficiency · k / W. 98 Wh at 49 W and full efficiency is 120 min. */
export function computeRuntimeMinutes(
  packMilliwattHours: number,
  atOnce: number,
  milliwatts: number,
  healthPercent = 100,
  efficiencyPercent = 100,
): number {
  return (packMilliwattHours * atOnce * healthPercent * efficiencyPercent * 60) / (milliwatts * 10_000)
}

/** Packs are swapped whole, so t minutes want k · ceil(t / runtime on k). A run that ends on the minute needs no more. */
export function countPacks(minutes: number, atOnce: number, runtimeMinutes: number): number {
  return atOnce * Math.ceil(minutes / runtimeMinutes)
}
