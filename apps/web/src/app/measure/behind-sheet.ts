import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatButton, MatIconButton } from '@angular/material/button';
import { MatIcon } from '@angular/material/icon';
import type { Job, Quantity } from '@core/job/schema';
import { ACCESS, CONNECTIONS, HIDDEN, type Hidden, type Survey } from '@core/job/survey';
import { outlineOf } from '@core/job/outlines';
import { formatQuantity } from '@core/units/format-quantity';
import { assumed, fromSheet } from '@core/units/quantity';
import { PickField, type Choice } from '../fields/pick-field';
import { QuantityField } from '../fields/quantity-field';
import { Desk } from '../job/desk';
import { freeId } from '../load/edits';
import { changeSurvey } from './edits';
import { ZonesList } from './zones-list';

type Existing = Survey['existing'][number];
type Bearer = Survey['bearers'][number];

const EDGES: readonly { edge: Bearer['edge']; name: string }[] = [
  { edge: 'fore', name: 'Fore' },
  { edge: 'aft', name: 'Aft' },
  { edge: 'port', name: 'Port' },
  { edge: 'starboard', name: 'Starboard' },
];
const same = (list: readonly string[]): readonly Choice[] => list.map((value) => ({ value, label: value }));

/** What hides behind the skin, the holes that are there already, the bearers, and who can get a hand to it. */
@Component({
  selector: 'ms-behind',
  imports: [MatButton, MatIconButton, MatIcon, PickField, QuantityField, ZonesList],
  templateUrl: './behind-sheet.html',
  styleUrl: './sheet.scss',
  styles: `
    .thing {
      display: grid;
      grid-template-columns: 1fr 1fr 30px;
      gap: 0 10px;
      align-items: center;
      margin-top: 8px;
      padding: 4px 8px;
      border: 1px solid var(--rule-strong);
      background: var(--card);
    }
    .thing ms-quantity {
      border-bottom: 0;
      padding: 1px 0;
      --quantity-width: 74px;
    }
    .across {
      grid-column: span 3;
    }
    .thing .wide {
      grid-column: span 2;
    }
    .bearer {
      display: grid;
      grid-template-columns: 74px minmax(0, 1fr) 92px;
      gap: 8px;
      align-items: center;
      padding: 2px 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BehindSheet {
  private readonly desk = inject(Desk);
  readonly job = input.required<Job>();

  protected readonly kinds = HIDDEN;
  protected readonly uses = ['re-use', 'fill', 'stay clear'] as const;
  protected readonly access = same(ACCESS);
  protected readonly connections = CONNECTIONS;
  protected readonly corners = [
    { key: 'x0', label: 'from, aft' },
    { key: 'x1', label: 'to, fore' },
    { key: 'y0', label: 'from, starboard' },
    { key: 'y1', label: 'to, port' },
  ] as const;
  protected readonly bearers = computed(() =>
    EDGES.map(({ edge, name }) => ({ edge, name, bearer: this.job().survey.bearers.find((b) => b.edge === edge) })),
  );
  /** What poor access means for the hardware. */
  protected readonly accessSays = computed(() => {
    const { near, far } = this.job().survey.access;
    if (far === 'none')
      return 'No access behind: captive nuts, studs, a nut plate or a tapped plate; or an inspection hatch first.';
    if (far === 'hand only') return 'Only a hand behind: nuts must be held without a spanner, so weld nuts or a nut plate.';
    if (far === 'unknown' || near === 'unknown') return 'Not looked at yet: whether a nut can be held decides the hardware.';
    return near === 'hand only' || near === 'none' ? 'No room for a tool at the head: put the nut on the near side.' : '';
  });

  private change(did: string, f: (s: Survey) => Partial<Survey>, field?: string): void {
    this.desk.change(did, changeSurvey(f), field);
  }

  protected place(v: number): Quantity {
    return fromSheet(v, formatQuantity(v, 'length', this.job().units));
  }

  protected setAccess(side: 'near' | 'far', value: string): void {
    this.change(`access, ${side} side`, (s) => ({ access: { ...s.access, [side]: value } as Survey['access'] }));
  }

  protected addHidden(): void {
    const plate = outlineOf(this.job());
    this.change('mark something hidden', (s) => ({
      hidden: [
        ...s.hidden,
        {
          id: freeId(s.hidden, 'D'),
          what: 'cable',
          note: '',
          x0: plate.x1 + 10,
          x1: plate.x1 + 25,
          y0: plate.y0,
          y1: plate.y1,
          clear: assumed(10, '10 mm'),
        },
      ],
    }));
  }

  protected editHidden(h: Hidden, change: Partial<Hidden>, key: string): void {
    this.change(
      `${h.what} ${h.id}`,
      (s) => ({ hidden: s.hidden.map((x) => (x.id === h.id ? { ...x, ...change } : x)) }),
      `hidden.${h.id}.${key}`,
    );
  }

  protected readonly crossings: readonly Choice[] = [
    { value: '', label: 'not at all' },
    { value: 'sleeve', label: 'each in a sleeve' },
    { value: 'plug', label: 'each in a solid plug' },
    { value: 'hatch', label: 'a hatch was cut' },
  ];
  protected cross(h: Hidden, how: NonNullable<Hidden['crossed']> | ''): void {
    this.change(`${h.what} ${h.id}, crossed`, (s) => ({
      hidden: s.hidden.map((x) => {
        if (x.id !== h.id) return x;
        const { crossed: _was, ...plain } = x;
        return how === '' ? plain : { ...plain, crossed: how };
      }),
    }));
  }

  protected corner(h: Hidden, key: 'x0' | 'x1' | 'y0' | 'y1', v: number): void {
    this.editHidden(h, { [key]: v }, key);
  }

  protected removeHidden(h: Hidden): void {
    this.change(`take out ${h.what} ${h.id}`, (s) => ({ hidden: s.hidden.filter((x) => x.id !== h.id) }));
  }

  protected addExisting(): void {
    this.change('mark an existing hole', (s) => ({
      existing: [...s.existing, { id: freeId(s.existing, 'E'), x: 0, y: 0, d: assumed(8, '8 mm'), use: 'stay clear' }],
    }));
  }

  protected editExisting(e: Existing, change: Partial<Existing>, key: string): void {
    this.change(
      `hole ${e.id}`,
      (s) => ({ existing: s.existing.map((x) => (x.id === e.id ? { ...x, ...change } : x)) }),
      `existing.${e.id}.${key}`,
    );
  }

  protected removeExisting(e: Existing): void {
    this.change(`take out hole ${e.id}`, (s) => ({ existing: s.existing.filter((x) => x.id !== e.id) }));
  }

  protected editBearer(edge: Bearer['edge'], change: Partial<Bearer>): void {
    this.change(`${edge} bearer`, (s) => {
      const old = s.bearers.find((b) => b.edge === edge) ?? {
        id: `R-${edge}`,
        edge,
        section: '',
        connection: 'unknown' as const,
      };
      return { bearers: [...s.bearers.filter((b) => b.edge !== edge), { ...old, ...change }] };
    });
  }
}
