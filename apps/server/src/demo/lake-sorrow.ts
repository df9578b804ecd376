import { oneFoot } from '@core/job/at-foot';
import type { Job } from '@core/job/schema';
import type { WholeJob } from '@core/job/whole-job';
import { aFrame } from './lake-sorrow/a-frame';
import { benchSeat, rearBench } from './lake-sorrow/bench-seats';
import { buoyLiftingEye } from './lake-sorrow/buoy-lifting-eye';
import { coreSamplerWinch } from './lake-sorrow/core-sampler-winch';
import { damperTab } from './lake-sorrow/damper-tab';
import { diveLadder } from './lake-sorrow/dive-ladder';
import { generatorSkid } from './lake-sorrow/generator-skid';
import { mastSocket } from './lake-sorrow/mast-socket';
import { damperTabSupported, mooringLugs, postBrace, rollerLinks } from './lake-sorrow/pinned-parts';
import { pumpPlate } from './lake-sorrow/pump-plate';
import { railPads } from './lake-sorrow/rail-pads';
import { mastFoot, stayPlate } from './lake-sorrow/sensor-mast';
import { stretcherRack } from './lake-sorrow/stretcher-rack';
import { towReceiver } from './lake-sorrow/tow-receiver';

/** Jobs on one foot. The Lake Sorrow field station refits a small research launch and its support lorry. All invented. */
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
  pumpPlate(),
  mastSocket(),
  rollerLinks(),
  damperTabSupported(),
  mooringLugs(),
  postBrace(),
];

/** On what of the station each fitting goes. */
const ABOARD: Readonly<Record<string, string>> = {
  'core-sampler-winch': 'Launch Teal',
  'sensor-mast-foot': 'Launch Teal',
  'stay-plate-port': 'Launch Teal',
  'a-frame-four-feet': 'Launch Teal',
  'rail-on-three-pads': 'Launch Teal',
  'mast-socket-welded': 'Launch Teal',
  'radar-post-brace': 'Launch Teal',
  'mooring-lugs-one-bar': 'Launch Teal',
  'dive-ladder-top': 'Pontoon',
  'buoy-lifting-eye': 'Weather buoy 3',
  'roller-arm-links': 'Boat trailer',
  'damper-tab-trailer': 'Sample trailer',
  'damper-tab-supported': 'Sample trailer',
  'sampling-pump-brace': 'Pump house',
};

/** All that hangs on the rack, with the fittings on several feet; what is not named goes on the support lorry. */
export const DEMO_RACK: readonly WholeJob[] = [
  ...DEMO_JOBS.map(oneFoot),
  aFrame(),
  generatorSkid(),
  stretcherRack(),
  railPads(),
].map((job) => ({ ...job, customer: 'Lake Sorrow field station', aboard: ABOARD[job.id] ?? 'Support lorry' }));
