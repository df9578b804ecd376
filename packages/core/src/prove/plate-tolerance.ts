/** How far rolled plate may be under its gauge, mm: EN 10029:2010 Tab. 1 class A (from memory); thinner than 3 mm EN 10131 (from memory). */
const CLASS_A: readonly (readonly [below: number, under: number])[] = [
  [3, 0.2],
  [5, 0.3],
  [8, 0.4],
  [15, 0.5],
  [25, 0.6],
  [40, 0.7],
  [80, 0.9],
  [150, 1.1],
];

export function underGauge(t: number): { readonly under: number; readonly source: string } {
  const [, under] = CLASS_A.find(([below]) => t < below) ?? CLASS_A.at(-1)!;
  return { under, source: `rolled plate, class A: −${under} mm (EN 10029 Tab. 1, from memory)` };
}
