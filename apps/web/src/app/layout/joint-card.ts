import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import { EDGES, HOLDINGS, PLACES, type Joint } from '@core/job/joint';
import { assumed, fromSheet } from '@core/job/values';
import { leastBend } from '@core/stock/bends';
import { metal } from '@core/stock/metals';
import { FAYING } from '@core/stock/faying';
import { HEADS } from '@core/stock/heads';
import { NUT_KINDS } from '@core/stock/nut-kinds';
import { formatQuantity } from '@core/units/format-quantity';
import { blankOf } from '@core/shop/bend-allowance';
import { PickField, type Choice } from '../fields/pick-field';
import { Desk } from '../job/desk';
import { PartRows } from './part-rows';

const same = (list: readonly string[]): readonly Choice[] => list.map((value) => ({ value, label: value }));

/** How the joint is held together: what holds the bolts, how they are tightened, what stands between the parts, its bend and limits. */
@Component({
  selector: 'ms-joint-card',
  imports: [MatCheckbox, PartRows, PickField],
  template: `
    @if (desk.job(); as job) {
      <section>
        <h3>Held by</h3>
        <ms-pick label="Holding" [value]="job.joint.holding" [choices]="holdings" (changed)="put('holding', $event)" />
        <ms-pick label="Head" [value]="job.joint.head" [choices]="heads" (changed)="put('head', $event)" />
        <ms-pick label="Nut" [value]="job.joint.nutKind" [choices]="nutKinds" (changed)="put('nutKind', $event)" />
        <ms-pick label="In the shear plane" [value]="job.joint.inPlane" [choices]="planes" (changed)="put('inPlane', $event)" />
        <ms-pick label="Tightened" [value]="job.joint.tightening" [choices]="tightenings" (changed)="put('tightening', $event)" />
        <ms-pick label="Faces" [value]="job.joint.bedding" [choices]="beddings" (changed)="put('bedding', $event)" />
        <ms-pick
          label="Between plate and skin"
          [value]="job.joint.packing"
          [choices]="packings"
          (changed)="put('packing', $event)"
        />
        <ms-pick label="Round the bolt" [value]="job.joint.sleeve" [choices]="sleeves" (changed)="put('sleeve', $event)" />
        <mat-checkbox [checked]="job.joint.gluedHead !== undefined" (change)="glued($event.checked)"
          >heads glued against turning</mat-checkbox
        >
        @if (job.joint.tightening === 'slip resistant') {
          <ms-pick label="Faying faces" [value]="face()" [choices]="faces" (changed)="facing($event)" />
        }
        <ms-part-rows part="joint" />
      </section>
      <section>
        <h3>Where it lives</h3>
        <ms-pick label="Place" [value]="job.joint.place" [choices]="places" (changed)="put('place', $event)" />
        <mat-checkbox [checked]="job.joint.isolated" (change)="isolated($event.checked)">metals kept apart</mat-checkbox>
      </section>
      <section>
        <h3>Plates</h3>
        <ms-pick
          label="Loose plates on each other"
          [value]="'' + job.plate.layers"
          [choices]="layers"
          (changed)="layer($event)"
        />
        <ms-pick label="Bent edge" [value]="job.plate.fold?.edge ?? 'none'" [choices]="edges" (changed)="fold($event)" />
        <ms-part-rows part="fold" />
        @if (bent(); as b) {
          <p class="note">{{ b }}</p>
        }
      </section>
      <section>
        <h3>Limits of the job</h3>
        <ms-part-rows part="limits" />
        <p class="note">0 is no limit.</p>
      </section>
    }
  `,
  styles: `
    section {
      margin-bottom: 10px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JointCard {
  protected readonly desk = inject(Desk);
  protected readonly holdings = same(HOLDINGS);
  protected readonly nutKinds: readonly Choice[] = NUT_KINDS.map((k) => ({ value: k.id, label: k.name }));
  protected readonly heads: readonly Choice[] = HEADS.map((h) => ({ value: h.id, label: h.name }));
  protected readonly faces: readonly Choice[] = [
    { value: '', label: 'as typed' },
    ...FAYING.map((f) => ({ value: String(f.mu), label: `${f.id}, ${f.name}` })),
  ];
  protected readonly planes: readonly Choice[] = [
    { value: 'thread', label: 'thread' },
    { value: 'shank', label: 'plain shank' },
  ];
  protected readonly tightenings = same(['snug', 'to torque', 'slip resistant']);
  protected readonly beddings: readonly Choice[] = [
    { value: 'dry', label: 'dry' },
    { value: 'bedded', label: 'bedded in sealant' },
    { value: 'bonded', label: 'bonded' },
  ];
  protected readonly packings: readonly Choice[] = [
    { value: 'none', label: 'nothing' },
    { value: 'packer', label: 'solid packer' },
    { value: 'spacers', label: 'spacer tubes' },
  ];
  protected readonly sleeves: readonly Choice[] = [
    { value: 'none', label: 'nothing' },
    { value: 'sleeve', label: 'steel sleeve' },
    { value: 'plug', label: 'solid plug' },
  ];
  protected readonly places = same(PLACES);
  protected readonly layers = same(['1', '2', '3', '4']);
  protected readonly edges = same(['none', ...EDGES]);

  /** Blank length and springback, for the bender. */
  protected readonly bent = computed(() => {
    const job = this.desk.job();
    const fold = job?.plate.fold;
    if (!job || !fold) return '';
    const mm = (v: number) => formatQuantity(v, 'length', job.units);
    const b = blankOf({ t: job.plate.thickness.v, r: fold.radius.v, leg: fold.height.v });
    return `Bend allowance ${mm(b.allowance)}, so cut the blank ${mm(b.added)} past the bend’s start (K ${b.K}, common practice). Bend past square: it springs back.`;
  });

  protected put(key: keyof Joint, value: string): void {
    this.desk.change(`joint: ${value}`, (j) => ({ ...j, joint: { ...j.joint, [key]: value } as Joint }));
  }

  protected glued(on: boolean): void {
    this.desk.change(on ? 'heads glued' : 'heads not glued', (j) => {
      const { gluedHead: _was, ...joint } = j.joint;
      return { ...j, joint: on ? { ...joint, gluedHead: assumed(30, formatQuantity(30, 'length', j.units)) } : joint };
    });
  }

  /** The class of Tab. 3.7 whose slip factor stands there. */
  protected readonly face = computed(() => {
    const mu = String(this.desk.job()?.joint.friction.v ?? '');
    return FAYING.some((f) => String(f.mu) === mu) ? mu : '';
  });

  protected facing(mu: string): void {
    if (mu === '') return;
    this.desk.change(`slip factor ${mu}`, (j) => ({ ...j, joint: { ...j.joint, friction: fromSheet(Number(mu), mu) } }));
  }

  protected isolated(isolated: boolean): void {
    this.desk.change(isolated ? 'metals kept apart' : 'metals in contact', (j) => ({ ...j, joint: { ...j.joint, isolated } }));
  }

  protected layer(n: string): void {
    this.desk.change(`${n} loose plates`, (j) => ({ ...j, plate: { ...j.plate, layers: Number(n) } }));
  }

  protected fold(edge: string): void {
    this.desk.change(edge === 'none' ? 'flat plate' : `bend at the ${edge} edge`, (j) => {
      const { fold: now, ...flat } = j.plate;
      if (edge === 'none') return { ...j, plate: flat };
      const m = metal(flat.metal, j.ownStock.metals);
      const r = Math.ceil(flat.thickness.v * (m ? leastBend(m) : 1));
      const fresh = { radius: fromSheet(r, `${r} mm`), height: fromSheet(40, '40 mm') };
      return { ...j, plate: { ...flat, fold: { ...(now ?? fresh), edge: edge as 'fore' } } };
    });
  }
}
