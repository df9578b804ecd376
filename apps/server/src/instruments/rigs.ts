import type { PullAsked, TurnAsked } from '@core/formats/instrument-messages';
import { PullerStandIn } from './puller-stand-in';
import { turnedBy } from './wrench-stand-in';

type Say = (event: string, data: object) => void;

/** ms between two frames. */
const TURN_FRAME = 25;
const PULL_FRAME = 100;

/** What of a bench moves by itself: a wrench that is being pulled, a puller that is under load. Ended with the bench. */
export class Rigs {
  private turning: ReturnType<typeof setInterval> | undefined;
  private pulling: ReturnType<typeof setInterval> | undefined;
  private puller: PullerStandIn | undefined;
  private turns = 0;

  constructor(
    private readonly random: () => number,
    private readonly say: Say,
  ) {}

  /** Pulls the wrench once; false while it is being pulled. */
  turn(asked: TurnAsked): boolean {
    if (this.turning) return false;
    const turn = ++this.turns;
    const { points, ended, says } = turnedBy(asked, this.random);
    let i = 0;
    this.turning = setInterval(() => {
      const p = points[i++];
      if (p) return this.say('turn', { turn, angle: p[0], torque: p[1] });
      clearInterval(this.turning);
      this.turning = undefined;
      this.say('turned', { turn, ended, says });
    }, TURN_FRAME);
    return true;
  }

  /** Takes the load up or down to what is asked; from nothing it is a new pull. */
  pull(asked: PullAsked): void {
    if (!this.puller) this.puller = new PullerStandIn(this.random);
    this.puller.to(asked);
    this.pulling ??= setInterval(() => this.frame(asked.faster), PULL_FRAME);
  }

  /** Off the hook: the next pull starts at nothing. */
  endPull(): void {
    clearInterval(this.pulling);
    this.pulling = undefined;
    this.puller = undefined;
  }

  end(): void {
    clearInterval(this.turning);
    this.endPull();
  }

  private frame(faster: number): void {
    const sample = this.puller?.tick((PULL_FRAME / 1000) * faster);
    if (!sample) return;
    if (typeof sample !== 'string') return this.say('pull', sample);
    this.endPull();
    this.say('pull-fault', {
      says: sample === 'low battery' ? 'low battery: the load cell says nothing' : 'the load cell is not heard any more',
    });
  }
}
