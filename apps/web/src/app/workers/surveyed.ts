import { whatToMeasure } from '@core/chain/sensitivity';
import type { Job } from '@core/job/schema';
import type { Side } from '@core/job/survey';
import { remediesFor } from '@core/options/remedies';
import { sideToSide, studySide, suspectAcross } from '@core/survey/patterns';
import { isRefusal } from '@core/units/refusal';
import type { Surveyed } from './messages';

/** Everything the Measure stage shows that takes longer than a keystroke. */
export function surveyed(job: Job): Surveyed {
  const side = (name: Side) => {
    const study = studySide(job, name);
    const meets = study.meeting && !isRefusal(study.meeting) && study.meeting.meets;
    return { ...study, remedies: meets ? [] : remediesFor(job, study) };
  };
  return {
    sides: { left: side('left'), right: side('right') },
    across: { structure: sideToSide(job, 'structure'), fitting: sideToSide(job, 'fitting') },
    acrossSuspect: { structure: suspectAcross(job, 'structure'), fitting: suspectAcross(job, 'fitting') },
    next: whatToMeasure(job),
  };
}
