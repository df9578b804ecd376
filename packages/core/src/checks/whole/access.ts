import { headKind } from '../../stock/heads';
import { distance } from '../../geometry/points';
import { nearestPoint } from '../../geometry/rects';
import { atBolt } from '../../job/of-kind';
import type { Resolved } from '../../job/resolve';
import { refuse } from '../../units/refusal';
import { formula } from '../../working/formula';
import { everyBolt, isHeldByThread, isLag, layoutRule, notApplicable, outcome, worst, type Outcome } from '../check';

const SOCKET = formula('r_s', '0.5·1.45·s', 'mm');
const CORNERS = formula('r_c', 's/sqrt(3)', 'mm');

/** What needs no hand behind once it is in. */
const SELF_HELD = new Set(['captive nut', 'weld nut', 'nut plate', 'rivet nut', 'tapped', 'stud', 'lag screw']);

/** A hand on the far side for every loose nut. */
export const access = layoutRule({
  id: 'access',
  name: 'Access behind',
  element: 'joint',
  says: 'Every loose nut needs a hand and a spanner behind it.',
  why: 'A nut nobody can reach is never tightened, nor looked at again. Where there is no way behind, the thread has to be there already: a captive or weld nut, a stud, a nut plate, a tapped plate. Keep a hatch to hidden nuts.',
  source: 'Common practice; access as the survey says',
  range: 'Where the survey says what reaches each side',
  evaluate(r) {
    const { far } = r.access;
    if (far === 'unknown') return notApplicable('the survey does not say what reaches the far side');
    if (SELF_HELD.has(r.joint.holding)) return notApplicable(`held by a ${r.joint.holding}: no hand needed behind`);
    if (far === 'none')
      return refuse('joint.holding', 'nobody can hold a nut behind', 'captive nut, weld nut, nut plate, stud or tapped plate');
    if (far === 'hand only')
      return notApplicable(
        'a hand reaches behind, a spanner does not: nut plates or captive nuts hold themselves (common practice)',
      );
    return notApplicable(`reached behind with: ${far}`);
  },
});

/** Room for the socket round every head. */
export const wrenchRoom = layoutRule({
  id: 'wrench-room',
  name: 'Wrench room',
  element: 'joint',
  says: 'A socket must go over every head, clear of the fitting and of the next bolt.',
  why: 'A bolt set hard against the fitting holds on paper and is never tightened. The socket is half as wide again as the head, and it has to turn.',
  source: 'Common practice: socket 1.45 times the head across flats',
  range: 'Sockets from above; heads through the base are taken to stand clear of what rises from it',
  evaluate(r, w) {
    return worst(everyBolt(r), w, (i, _k, w): Outcome => {
      const b = r.bolts[i]!;
      const r_s = w.of(SOCKET, { s: r.size.acrossFlats });
      w.of(CORNERS, { s: r.size.acrossFlats });
      const corners = (k: number) => CORNERS.of({ s: atBolt(r, k).size.acrossFlats });
      const rooms = [
        ...(b.throughBase || r.baseThickness <= r.size.washer.thickness
          ? []
          : [{ have: nearestPoint(r.base, b).gap, need: r_s, at: `${b.id} to the fitting` }]),
        ...r.bolts.flatMap((o, k) =>
          k === i ? [] : [{ have: distance(o, b), need: r_s + corners(k), at: `${b.id} to ${o.id}` }],
        ),
      ];
      if (rooms.length === 0) return outcome(0, 1, 'mm', b.id);
      const tightest = rooms.reduce((a, c) => (c.need / c.have > a.need / a.have ? c : a));
      w.found('need', tightest.need, 'mm', 'socket, and to a bolt the corners of its head');
      w.found('room', tightest.have, 'mm', tightest.at);
      return outcome(tightest.need, Math.max(tightest.have, 0), 'mm', tightest.at);
    });
  },
});

const BELOW = formula('h_b', 't_w + t_far + m + 2·P', 'mm');
const ABOVE = formula('h_a', 't_w + k', 'mm');

const below = (r: Resolved) => (isLag(r) || isHeldByThread(r) ? 0 : r.size.nutHeight);

/** What stands out above and below, where the job sets a limit. */
export const stackHeight = layoutRule({
  id: 'stack-height',
  name: 'Stack height',
  element: 'joint',
  says: 'Heads and nuts must not stand out further than there is room.',
  why: 'Under a seat slide or a hatch a bolt end that stands proud scrapes, snags or stops the lid. Countersunk heads, thinner backing or cut bolts buy the room.',
  source: 'Geometry: washer, head or nut, backing plate and two threads; limits set by the job',
  range: 'Bolts of the next stocked length stand out a little more: see Bolts in the stack',
  evaluate(r, w) {
    const { above, below: under } = r.limits;
    const t_w = r.size.washer.thickness;
    const all: Outcome[] = [];
    if (above > 0) {
      const head = headKind(r.joint.head);
      const own = head.id === 'studding' ? r.size.nutHeight : r.size.headHeight;
      const k = head.height === undefined ? own : head.height * r.d;
      all.push(outcome(w.of(ABOVE, { t_w: k === 0 ? 0 : t_w, k }), above, 'mm', 'above the plate'));
    }
    if (under > 0) {
      const far = r.far.kind === 'plate' ? r.far.height : 0;
      all.push(outcome(w.of(BELOW, { t_w, t_far: far, m: below(r), P: r.size.pitch }), under, 'mm', 'below the skin'));
    }
    if (all.length === 0) return notApplicable('the job sets no limit on what stands out');
    return all.reduce((a, b) => (b.utilisation > a.utilisation ? b : a));
  },
});
