import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type { Observable } from 'rxjs';
import type { VerdictState } from '@core/chain/evaluate';
import type { WholeJob } from '@core/job/whole-job';

export interface StoredJob {
  readonly job: WholeJob;
  readonly version: number;
  readonly archived: boolean;
  readonly updatedAt: string;
}

/** A row of the rack whose document does not read: it stays, and its text can be taken out. */
export interface UnreadableTag {
  readonly id: string;
  readonly version: number;
  readonly archived: boolean;
  readonly updatedAt: string;
  readonly unreadable: string;
}

/** A job as it hangs on the rack. */
export interface Tag extends StoredJob {
  readonly verdict: {
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
  };
}

export interface KeptVersion {
  readonly version: number;
  readonly savedAt: string;
}

@Injectable({ providedIn: 'root' })
export class JobApi {
  private readonly http = inject(HttpClient);

  list(): Observable<(Tag | UnreadableTag)[]> {
    return this.http.get<(Tag | UnreadableTag)[]>('/api/jobs');
  }

  get(id: string): Observable<StoredJob> {
    return this.http.get<StoredJob>(`/api/jobs/${id}`);
  }

  /** Versions that are kept, the newest first. */
  versions(id: string): Observable<readonly KeptVersion[]> {
    return this.http.get<readonly KeptVersion[]>(`/api/jobs/${id}/versions`);
  }

  version(id: string, version: number): Observable<{ readonly job: WholeJob }> {
    return this.http.get<{ readonly job: WholeJob }>(`/api/jobs/${id}/versions/${version}`);
  }

  add(job: WholeJob): Observable<{ version: number }> {
    return this.http.post<{ version: number }>('/api/jobs', job);
  }

  save(job: WholeJob, version: number): Observable<{ version: number }> {
    return this.http.put<{ version: number }>(`/api/jobs/${job.id}`, job, { headers: { 'If-Match': `"${version}"` } });
  }

  setArchived(id: string, archived: boolean): Observable<void> {
    return this.http.post<void>(`/api/jobs/${id}/${archived ? 'archive' : 'restore'}`, null);
  }
}

/** What went wrong, in words for the person: the problem's own detail where the server gave one. */
export function failureText(error: unknown): string {
  if (!(error instanceof HttpErrorResponse)) return 'Something went wrong in this page.';
  if (error.status === 0) return 'The server does not answer.';
  const body = error.error as { detail?: string; title?: string } | null;
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
