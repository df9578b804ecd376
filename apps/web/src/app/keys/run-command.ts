import { inject, Injectable } from '@angular/core';
import { ActivatedRoute, Router } from '@angular/router';
import { withClass } from '@core/job/bolt-class';
import { mirroredWhole } from '@core/job/mirrored';
import type { Job } from '@core/job/schema';
import { fromSheet } from '@core/job/values';
import { commonClasses } from '@core/stock/fastener-classes';
import { FASTENER_SIZES, fastenerSize } from '@core/stock/fasteners';
import { INCH_PLATE, MM_PLATE, nextThickness } from '@core/stock/plate-thicknesses';
import { firstValueFrom } from 'rxjs';
import { Desk } from '../job/desk';
import { addBolt } from '@core/options/add-bolt';
import { withSize } from '../layout/edits';
import { failureText, freshId, JobApi } from '../job/job-api';
import { Judge } from '../job/judge';
import { keptNumbers } from '../make/csv-numbers';
import { COMMANDS, type CommandId } from './commands';
import { ALSO, sheetsOf, type Doing } from './doing';
import { Everywhere } from './everywhere';

/** The three schools in turn. */
const NEXT_SCHOOL = { working: 'limit', limit: 'ultimate', ultimate: 'working' } as const;

/** One turn of the crank by key. */
const TURN = 0.1;

/** Does what a key, a button or the command box asks, on the open job. */
@Injectable()
export class Commands {
  private readonly desk = inject(Desk);
  private readonly everywhere = inject(Everywhere);
  private readonly router = inject(Router);
  private readonly route = inject(ActivatedRoute);
  private readonly api = inject(JobApi);
  private readonly judge = inject(Judge, { optional: true });

  run(id: CommandId): void {
    switch (id) {
      case 'undo':
        return this.desk.undo();
      case 'redo':
        return this.desk.redo();
      case 'thinner':
        return this.thickness(-1);
      case 'thicker':
        return this.thickness(1);
      case 'smaller':
        return this.size(-1);
      case 'larger':
        return this.size(1);
      case 'class':
        return this.change('next class', nextClass);
      case 'add-bolt':
        return this.addBolt();
      case 'remove-bolt':
        return this.removeBolt();
      case 'mirror':
        return this.desk.changeWhole('mirror', mirroredWhole);
      case 'dimensions':
        return this.desk.dimensions.update((on) => !on);
      case 'units':
        return this.change('units', (j) => ({ ...j, units: j.units === 'mm' ? 'inch' : 'mm' }));
      case 'school':
        return this.change('factor school', (j) => ({
          ...j,
          practice: { ...j.practice, school: NEXT_SCHOOL[j.practice.school] },
        }));
      case 'crank-up':
        return this.desk.turn(this.desk.crank() + TURN);
      case 'crank-down':
        return this.desk.turn(this.desk.crank() - TURN);
      case 'crank-back':
        return this.desk.letGoOfCrank();
      case 'rules':
        return this.change('rules', (j) => ({
          ...j,
          practice: { ...j.practice, rules: j.practice.rules === 'EN' ? 'AISC' : 'EN' },
        }));
      case 'beside':
        return void this.router.navigate(['/compare'], { queryParams: { a: this.desk.job()?.id } });
      case 'rack':
        return void this.router.navigate(['/']);
      case 'commands':
        return void this.everywhere.commandBox(this.all());
      case 'keys':
        return void this.everywhere.keys();
      default:
        return void this.router.navigate([id], { relativeTo: this.route });
    }
  }

  /** Everything that can be done here by name. */
  private all(): Doing[] {
    const job = this.desk.job();
    const verbs = COMMANDS.filter((c) => c.id !== 'commands' && c.id !== 'rack').map((c): Doing => ({
      id: c.id,
      words: c.words,
      also: ALSO[c.id] ?? '',
      key: c.keys[0] ?? '',
      run: () => this.run(c.id),
    }));
    const family = job && fastenerSize(job.bolts.size)?.family;
    const sizes = FASTENER_SIZES.filter((s) => s.family === family && s.common).map((s): Doing => ({
      id: `size ${s.id}`,
      words: `Fasteners ${s.id}`,
      also: 'bolt size screw',
      run: () => this.sizeTo(s.id),
    }));
    const links = (this.judge?.verdict()?.links ?? [])
      .filter((l) => l.state !== 'not needed')
      .map((l): Doing => ({
        id: `link ${l.id}`,
        words: `Working of: ${l.name}`,
        also: 'link check formula',
        run: () => this.desk.openLink.set(l.id),
      }));
    const ofThisJob: Doing[] = job
      ? [
          {
            id: 'history',
            words: 'History of this job, and links to it',
            also: 'versions bring back share guest read-only link',
            run: () => void this.router.navigate(['/history', job.id]),
          },
          { id: 'copy', words: 'Copy this job', also: 'duplicate clone', run: () => void this.copy() },
          ...sheetsOf(job.id, keptNumbers.read(), take),
        ]
      : [];
    return [...verbs, ...sizes, ...this.everywhere.all(), ...ofThisJob, ...links];
  }

  /** The open job as another, opened where this one is. */
  private async copy(): Promise<void> {
    const whole = this.desk.whole();
    if (!whole) return;
    const name = `${whole.name} (copy)`.slice(0, 80);
    const id = freshId(name);
    try {
      await firstValueFrom(this.api.add({ ...whole, id, name }));
      await this.router.navigate(['/job', id, 'lay-out']);
    } catch (e) {
      this.desk.said.set(`Not copied: ${failureText(e)}`);
    }
  }

  private sizeTo(id: string): void {
    this.change(`fastener ${id}`, (j) => withSize(j, id));
    this.desk.said.set(`Fastener ${id}`);
  }

  private change(did: string, f: (j: Job) => Job): void {
    this.desk.change(did, f);
  }

  private thickness(direction: 1 | -1): void {
    const job = this.desk.job();
    if (!job) return;
    const next = nextThickness(job.plate.thickness.v, direction, job.units === 'inch' ? INCH_PLATE : MM_PLATE);
    if (!next) return this.desk.said.set(`No ${direction > 0 ? 'thicker' : 'thinner'} plate in stock`);
    this.change(`plate ${next.text}`, (j) => ({ ...j, plate: { ...j.plate, thickness: fromSheet(next.thickness, next.text) } }));
    this.desk.said.set(`Plate ${next.text}`);
  }

  private size(direction: 1 | -1): void {
    const job = this.desk.job();
    const now = job && fastenerSize(job.bolts.size);
    // A size outside the usual ones still steps to the usual one beside it.
    const family =
      now && FASTENER_SIZES.filter((s) => s.family === now.family && (s.common || s.id === now.id)).sort((a, b) => a.d - b.d);
    const next = family?.[family.findIndex((s) => s.id === job!.bolts.size) + direction];
    if (!next) return this.desk.said.set(`No ${direction > 0 ? 'larger' : 'smaller'} fastener in stock`);
    this.sizeTo(next.id);
  }

  private addBolt(): void {
    const job = this.desk.job();
    if (!job) return;
    const { job: next, id } = addBolt(job);
    this.change(`add bolt ${id}`, () => next);
    this.desk.picked.set({ kind: 'bolt', id });
  }

  private removeBolt(): void {
    const picked = this.desk.picked();
    if (picked?.kind !== 'bolt') return;
    this.change(`take out bolt ${picked.id}`, (j) => ({
      ...j,
      bolts: { ...j.bolts, items: j.bolts.items.filter((b) => b.id !== picked.id) },
    }));
    this.desk.picked.set(null);
    this.desk.said.set(`Bolt ${picked.id} taken out`);
  }
}

function nextClass(j: Job): Job {
  const family = fastenerSize(j.bolts.size)?.family ?? 'metric';
  const classes = commonClasses(family);
  const at = classes.findIndex((c) => c.id === j.bolts.class);
  return { ...j, bolts: withClass(j.bolts, classes[(at + 1) % classes.length]!.id) };
}

/** Has the browser keep a file. */
function take(address: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = '';
  link.click();
}
