import type { BUTTONS, FAULTS, InstrumentKind, InstrumentState } from '@core/formats/instrument-messages';

/** What is printed on the back of an instrument: range, smallest step and how far readings of one thing scatter. mm or degrees. */
interface Plate {
  readonly name: string;
  readonly low: number;
  readonly high: number;
  readonly step: number;
  readonly inchStep: number;
  readonly scatter: number;
  readonly unit: 'mm' | '°';
  readonly range: string;
}

const PLATES: Readonly<Record<InstrumentKind, Plate>> = {
  caliper: {
    name: 'caliper stand-in',
    low: 0,
    high: 300,
    step: 0.01,
    inchStep: 0.0005,
    scatter: 0.02,
    unit: 'mm',
    range: '0 to 300 mm',
  },
  tape: {
    name: 'tape or laser stand-in',
    low: 20,
    high: 30_000,
    step: 0.5,
    inchStep: 1 / 32,
    scatter: 0.6,
    unit: 'mm',
    range: '20 mm to 30 m',
  },
  angle: {
    name: 'angle finder stand-in',
    low: -180,
    high: 180,
    step: 0.1,
    inchStep: 0.1,
    scatter: 0.08,
    unit: '°',
    range: '−180° to 180°',
  },
};

/** What a press of the send button comes to. */
export type Sent =
  | { readonly kind: 'reading'; readonly text: string; readonly held: boolean; readonly zero: string }
  | { readonly kind: 'fault'; readonly says: string };

const INCH = 25.4;

/** A measuring instrument made of software: display, hold, zero, unit, scatter, and two ways to go wrong. */
export class StandIn {
  private on: number;
  private inches = false;
  private zero = 0;
  private held: number | undefined;
  private fault: (typeof FAULTS)[number] = 'none';
  private sends = 0;

  /** `random` gives numbers from 0 to 1. */
  constructor(
    readonly kind: InstrumentKind,
    private readonly random: () => number,
  ) {
    this.on = kind === 'tape' ? 500 : kind === 'angle' ? 0 : 100;
  }

  private get plate(): Plate {
    return PLATES[this.kind];
  }

  /** What it would show for what it lies on, stepped as its display is; a little different each time. */
  private look(): number {
    const scatter = (this.random() + this.random() - 1) * this.plate.scatter;
    return this.on + scatter;
  }

  private show(v: number): string {
    const { unit, step, inchStep } = this.plate;
    if (unit === '°') return `${(Math.round(v / step) * step).toFixed(1)}°`;
    if (this.inches) return `${(Math.round(v / INCH / inchStep) * inchStep).toFixed(4)} in`;
    return `${(Math.round(v / step) * step).toFixed(step < 0.1 ? 2 : 1)} mm`;
  }

  private outside(): string {
    const { low, high, range } = this.plate;
    return this.on < low || this.on > high ? `outside its range of ${range}` : '';
  }

  lies(on: number | undefined, fault: (typeof FAULTS)[number] | undefined): void {
    if (on !== undefined) this.on = on;
    if (fault !== undefined) this.fault = fault;
  }

  /** `send` answers with what arrives at the other end; the other buttons change the display. */
  press(button: (typeof BUTTONS)[number]): Sent | undefined {
    switch (button) {
      case 'unit':
        this.inches = !this.inches && this.plate.unit === 'mm';
        return undefined;
      case 'zero':
        this.zero = this.zero === 0 ? this.look() : 0;
        return undefined;
      case 'hold':
        this.held = this.held === undefined ? this.look() : undefined;
        return undefined;
      case 'send':
        return this.send();
    }
  }

  private send(): Sent {
    this.sends++;
    if (this.fault === 'low battery')
      return { kind: 'fault', says: 'low battery: the reading was not sent; change the cell and read again' };
    // Every other one is lost on the way, as a loose plug does it.
    if (this.fault === 'drops readings' && this.sends % 2 === 1)
      return { kind: 'fault', says: 'the reading was lost on the way; read again' };
    const outside = this.outside();
    if (outside) return { kind: 'fault', says: `${outside}: no reading` };
    return {
      kind: 'reading',
      text: this.show((this.held ?? this.look()) - this.zero),
      held: this.held !== undefined,
      zero: this.zeroText(),
    };
  }

  private zeroText(): string {
    return this.zero === 0 ? '' : this.show(this.zero);
  }

  state(): InstrumentState {
    const { name, range, unit } = this.plate;
    return {
      instrument: this.kind,
      name,
      display: this.outside() ? '— — —' : this.show((this.held ?? this.on) - this.zero),
      unit: unit === '°' ? '°' : this.inches ? 'in' : 'mm',
      held: this.held !== undefined,
      zero: this.zeroText(),
      lowBattery: this.fault === 'low battery',
      fault: this.fault,
      on: this.on,
      range,
    };
  }

  get name(): string {
    return this.plate.name;
  }
}
