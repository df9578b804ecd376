import { MIX_WASTE, type Product } from '../stock/products';
import { refuse, type Refusal } from '../units/refusal';
import { formula } from '../working/formula';
import { Working, type Step } from '../working/steps';

const RHO_W = formula('ρ', '(a + b)/(a/ρ_a + b/ρ_b)', 'g/cm³');
const M = formula('m', 'V·ρ', 'g');
const M_A = formula('m_a', 'm·a/(a + b)', 'g');
const M_B = formula('m_b', 'm·b/(a + b)', 'g');
const V_A = formula('m_a', 'V·a/(a + b)·ρ_a', 'g');
const V_B = formula('m_b', 'V·b/(a + b)·ρ_b', 'g');

/** What is weighed out for a volume. */
export interface Batch {
  /** cm³ that stay in the work, and that are mixed for it. */
  readonly net: number;
  readonly mixed: number;
  /** g; of a cartridge nothing is weighed. */
  readonly resin: number;
  readonly hardener: number;
  readonly cartridges: number;
  readonly steps: readonly Step[];
}

/**
 * Resin and hardener in grams for `volume` mm³ that stay in the work, with `waste` of what is mixed left in pots. By weight the parts
 * are masses, by volume they are volumes (the mix taken as large as both together). Refuses a ratio of nothing.
 */
export function batchFor(product: Product, volume: number, waste = MIX_WASTE): Batch | Refusal {
  const net = volume / 1000;
  const mixed = net / (1 - waste);
  const w = new Working(true);
  const { mix, cartridge, name } = product;
  if (!mix) {
    if (!(cartridge && cartridge > 0)) return refuse('cartridge', `${name} says nothing of its cartridge`, 'over 0 ml');
    return { net, mixed, resin: 0, hardener: 0, cartridges: Math.ceil(mixed / cartridge - 1e-9), steps: [] };
  }
  const { resin: a, hardener: b, by, resinDensity, hardenerDensity } = mix;
  if (!(a > 0 && b > 0)) return refuse('mix', `${name} is mixed ${a} : ${b}`, 'both over 0');
  const parts = { a, b };
  if (by === 'volume')
    return {
      net,
      mixed,
      resin: w.of(V_A, { V: mixed, ...parts, ρ_a: resinDensity }, 'measured by volume'),
      hardener: w.of(V_B, { V: mixed, ...parts, ρ_b: hardenerDensity }),
      cartridges: 0,
      steps: w.steps,
    };
  const ρ = w.of(RHO_W, { ...parts, ρ_a: resinDensity, ρ_b: hardenerDensity }, 'of the mix, parts by weight');
  const m = w.of(M, { V: mixed, ρ });
  return { net, mixed, resin: w.of(M_A, { m, ...parts }), hardener: w.of(M_B, { m, ...parts }), cartridges: 0, steps: w.steps };
}
