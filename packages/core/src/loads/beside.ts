import type { Point, Rect } from '../geometry/points';
import { boundsOf, centreOf, overlap } from '../geometry/rects';
import { eachWay, inTurnedAxes, lowered, placeInAxes, type Vector } from '../geometry/vector';
import type { FootPlace } from '../standing/stands';
import type { AtFoot } from '../standing/to-feet';

/** What another foot brings to the panel that both stand on: force and moment about the middle of its base at its plate's face, in the axes of the foot in hand. */
export interface Beside extends Vector {
  readonly name: string;
  /** Middle of its base, mm. */
  readonly at: Point;
  /** How it is turned against the foot in hand, rad. */
  readonly turn: number;
  /** Its plate in its own axes, and how high the plate's face stands over the skin, mm. */
  readonly plate: Rect;
  readonly height: number;
  /** The part of it that is weight, and lasts. */
  readonly weight?: Vector;
}

/** The part of a panel that another foot presses, or pulls, through its plate; it stands square to this foot, or was refused. */
export function patchOn(panel: Rect, { at, turn, plate }: Beside): Rect | undefined {
  const [c, s] = [Math.cos(turn), Math.sin(turn)];
  const to = (u: number, v: number) => ({ x: at.x + c * u - s * v, y: at.y + s * u + c * v });
  return overlap(boundsOf([to(plate.x0, plate.y0), to(plate.x1, plate.y1)]), panel);
}

/** Its load at the skin's middle about the middle of that patch (statics); all of it, also where its plate reaches past the panel (safe). */
export function onPatch(b: Beside, patch: Rect, skinThickness: number): Pick<Vector, 'fz' | 'mx' | 'my'> {
  const { fz, mx, my } = lowered(b, b.height + skinThickness / 2);
  const { x, y } = centreOf(patch);
  return { fz, mx: mx + (b.at.y - y) * fz, my: my - (b.at.x - x) * fz };
}

/** The other feet of a set as the foot in hand sees them. `weight`: what of their load is weight, `by`: what all is multiplied by. */
export function besides(
  foot: FootPlace,
  feet: ReadonlyMap<string, AtFoot>,
  weight: (id: string) => Vector | undefined,
  by: number,
): Beside[] {
  const all = [...feet.values()][0]?.set.feet ?? [];
  return all
    .filter((f) => f.id !== foot.id)
    .map((f) => {
      const turn = f.turn - foot.turn;
      const seen = (v: Vector) => inTurnedAxes(v, -turn);
      const load = seen(feet.get(f.id)!.load);
      const w = weight(f.id);
      const { x, y } = placeInAxes(f, foot, foot.turn);
      return {
        ...eachWay((k) => load[k] * by),
        name: f.name,
        at: { x, y },
        turn,
        plate: f.plate,
        height: f.height,
        ...(w ? { weight: seen(w) } : {}),
      };
    });
}
