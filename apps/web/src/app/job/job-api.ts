import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { Observable } from 'rxjs';
import type { VerdictState } from '@core/chain/evaluate';
import type { Job } from '@core/job/schema';
import type { WholeJob } from '@core/job/whole-job';
import { TOO_LONG } from './time-limit';

export interface StoredJob {
  readonly job: WholeJob;
  readonly version: number;
  readonly archived: boolean;
  readonly updatedAt: string;
}

/** What a job was judged to be, in short. */
export interface TagVerdict {
  readonly state: VerdictState;
  readonly weakest: string;
  /** Null where nothing is left to hold with. */
  readonly utilisation: number | null;
  readonly caseName: string;
  /** Judged by hand, or as solved. */
  readonly by: 'hand' | 'solver';
  /** The foot that decides, where there are several; else empty. */
  readonly foot: string;
  readonly says: string;
  /** Times the load with the factors kept; null where that is not known. */
  readonly goodFor: number | null;
}

/** A job as it hangs on the rack, without its document. */
export interface Tag {
  readonly id: string;
  readonly name: string;
  readonly family: string;
  readonly customer: string;
  readonly aboard: string;
  readonly note: string;
  readonly version: number;
  readonly archived: boolean;
  readonly binned: boolean;
  /** Invented, and not worked in yet. */
  readonly demo: boolean;
  readonly updatedAt: string;
  /** Why its document does not read; empty where it does. */
  readonly unreadable: string;
  /** The newest there is, of the version `judged`; under the job's own version it is being judged anew. */
  readonly verdict: TagVerdict | null;
  readonly judged: number;
  /** The day the first of what it asks for falls due; empty where nothing does, null while that is worked out. */
  readonly due: string | null;
  /** How far what goes by use has come, where it is due soon; empty where nothing is, or that is not known. */
  readonly byUse: string;
}

export type Place = 'rack' | 'archive' | 'bin';
export type RackSort = 'changed' | 'name' | 'worst' | 'customer' | 'due';

/** What the rack is asked for; empty where it is not. */
export interface RackAsked {
  readonly in: Place;
  readonly q: string;
  readonly state: string;
  readonly family: string;
  readonly customer: string;
  readonly aboard: string;
  readonly due: '' | 'overdue' | 'soon';
  readonly sort: RackSort;
}

export interface RackPage {
  /** The shop’s day, against which something is overdue. */
  readonly today: string;
  readonly tags: readonly Tag[];
  readonly total: number;
  readonly counts: Readonly<Record<Place | 'demo', number>>;
  readonly families: readonly string[];
  readonly customers: readonly string[];
  readonly aboard: readonly string[];
  /** Jobs whose verdict, or what falls due on them, is still to come. */
  readonly waiting: number;
}

/** What a tag draws: a job at one foot, as of a version. */
export interface Drawn {
  readonly version: number;
  readonly job: Job;
}

export interface KeptVersion {
  readonly version: number;
  readonly savedAt: string;
  readonly who: string;
  readonly did: string;
  /** As it was judged then; null where it was not. */
  readonly verdict: TagVerdict | null;
}

/** Something done to a job besides writing in it. */
export interface Deed {
  readonly at: string;
  readonly who: string;
  readonly did: string;
}

@Injectable({ providedIn: 'root' })
export class JobApi {
  private readonly http = inject(HttpClient);

  /** A page of the rack. */
  list(asked: Partial<RackAsked> = {}, from = 0, many = 60): Observable<RackPage> {
    const said = Object.entries(asked).filter(([, v]) => v !== '');
    return this.http.get<RackPage>('/api/jobs', { params: { ...Object.fromEntries(said), from, many } });
  }

  /** What the tags of some jobs draw. */
  drawn(ids: readonly string[]): Observable<Readonly<Record<string, Drawn>>> {
    return this.http.get<Record<string, Drawn>>('/api/jobs/drawn', { params: { ids: ids.join(',') } });
  }

  get(id: string): Observable<StoredJob> {
    return this.http.get<StoredJob>(`/api/jobs/${id}`);
  }

  /** Every version there was, and what else was done to the job, the newest first. */
  versions(id: string): Observable<{ readonly versions: readonly KeptVersion[]; readonly deeds: readonly Deed[] }> {
    return this.http.get<{ versions: KeptVersion[]; deeds: Deed[] }>(`/api/jobs/${id}/versions`);
  }

  version(id: string, version: number): Observable<{ readonly job: WholeJob }> {
    return this.http.get<{ readonly job: WholeJob }>(`/api/jobs/${id}/versions/${version}`);
  }

  add(job: WholeJob): Observable<{ version: number }> {
    return this.http.post<{ version: number }>('/api/jobs', job);
  }

  /** `did`: what was done, as the undo list says it; kept with the version it makes. */
  save(job: WholeJob, version: number, did = ''): Observable<{ version: number }> {
    return this.http.put<{ version: number }>(`/api/jobs/${job.id}`, job, {
      // In a header there is plain ASCII only.
      headers: { 'If-Match': `"${version}"`, ...(did ? { Did: encodeURIComponent(did.slice(0, 200)) } : {}) },
    });
  }

  setArchived(id: string, archived: boolean): Observable<void> {
    return this.http.post<void>(`/api/jobs/${id}/${archived ? 'archive' : 'restore'}`, null);
  }

  setBinned(id: string, binned: boolean): Observable<void> {
    return this.http.post<void>(`/api/jobs/${id}/${binned ? 'bin' : 'unbin'}`, null);
  }

  /** For good; only from the bin. */
  delete(id: string): Observable<void> {
    return this.http.delete<void>(`/api/jobs/${id}`);
  }
}

/** What went wrong, in words for the person: the problem's own detail where the server gave one. */
export function failureText(error: unknown): string {
  if (!(error instanceof HttpErrorResponse)) return 'Something went wrong in this page.';
  if (error.status === 0)
    return error.statusText === TOO_LONG ? 'The server does not answer in time.' : 'The server does not answer.';
  const body = error.error as { detail?: string; title?: string } | null;
  // What went wrong in words comes with its title: "the disk is full" before what to do about it.
  if (error.status >= 500 && body?.title && body.detail) return `${body.title}. ${body.detail}`;
  return body?.detail ?? body?.title ?? `The server answered ${error.status}.`;
}

/** An id no other job has: the name in small letters and a few random ones. */
export function freshId(name: string): string {
  const stem = name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 28);
  return `${stem || 'job'}-${crypto.randomUUID().slice(0, 6)}`;
}
