import type { Job } from '@core/job/schema';
import { benchSeat, rearBench } from './lake-sorrow/bench-seats';
import { buoyLiftingEye } from './lake-sorrow/buoy-lifting-eye';
import { coreSamplerWinch } from './lake-sorrow/core-sampler-winch';
import { damperTab } from './lake-sorrow/damper-tab';
import { diveLadder } from './lake-sorrow/dive-ladder';
import { mastFoot, stayPlate } from './lake-sorrow/sensor-mast';
import { towReceiver } from './lake-sorrow/tow-receiver';

/** The Lake Sorrow field station refits a small research launch and its support lorry. All invented. */
export const DEMO_JOBS: readonly Job[] = [
  coreSamplerWinch(),
  benchSeat(),
  rearBench(),
  mastFoot(),
  stayPlate(),
  towReceiver(),
  damperTab(),
  buoyLiftingEye(),
  diveLadder(),
];
