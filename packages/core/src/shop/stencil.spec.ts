import { bridged } from './stencil';

it('cuts and bridges go round exactly, whatever the edge; a small hole keeps most of its edge cut (common practice)', () => {
  for (const edge of [10, 34.6, 90, 90.1, 300, 1500]) {
    const { cut, bridge, count } = bridged(edge);
    expect(count * (cut + bridge)).toBeCloseTo(edge, 9);
    expect(cut).toBeGreaterThan(2 * bridge);
    expect(bridge).toBeLessThanOrEqual(4);
  }
  expect(bridged(Math.PI * 11).count).toBe(2);
  expect(bridged(600).count).toBe(7);
});
