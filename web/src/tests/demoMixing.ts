import type { BatchView, MixingView, MadeMixView } from '@dewpond/contract';
import { v7 } from 'uuid';
import { BOTTLE_ID, DOG_ID, TODAY, WASH_ID } from './demoDog';

const BOTTLE = { id: BOTTLE_ID, name: 'Half-litre bottle', brim: 550, line: 500, graduation: 50 };
const RADISH = { dogId: DOG_ID, dog: 'Radish', ml: 400 };

/** Radish's wash: one half-litre bottle, four strokes. */
export const batch = (more: Partial<BatchView> = {}): BatchView => ({
  product: {
    id: WASH_ID,
    name: 'Deep clean concentrate',
    kind: 'cleansing',
    label: '24:1',
    hazard: 'Not to drink. Keep from children.',
  },
  strength: '24:1',
  waterParts: '24',
  strokeMl: 5,
  forDog: null,
  need: 400,
  wanted: 440,
  unbottled: 0,
  atMostAbove: 0,
  unserved: [],
  draws: 20,
  cost: 0.62,
  openMixes: [],
  bottles: [
    {
      bottle: BOTTLE,
      by: 'strokes',
      strokes: 4,
      product: 20,
      water: 480,
      total: 500,
      realised: '24:1',
      error: 0,
      pours: [RADISH],
    },
  ],
  lots: [],
  ...more,
});

/** The same wash, measured into its bottle this morning. */
export const madeMix = (more: Partial<MadeMixView> = {}): MadeMixView => ({
  id: v7(),
  version: 1,
  product: { id: WASH_ID, name: 'Deep clean concentrate', kind: 'cleansing' },
  bottle: { ...BOTTLE, name: 'Half-litre bottle 1' },
  no: 1,
  strength: '24:1',
  realised: '24:1',
  strokes: 4,
  productMl: 20,
  totalMl: 500,
  leftMl: 500,
  forDog: null,
  by: 'Ines Okafor',
  measuredAt: '2026-11-25T08:10:00Z',
  wateredAt: null,
  discardAt: '2026-11-26T00:00:00Z',
  lots: [],
  had: [],
  ...more,
});

/** The bench of Radish's morning, by the server's clock at half past eight. */
export const mixingView = (more: Partial<MixingView> = {}): MixingView => ({
  day: TODAY,
  zone: 'Europe/London',
  serverNow: Date.parse('2026-11-25T08:30:00Z'),
  batches: [batch()],
  asItIs: [],
  openMixes: [],
  trouble: [],
  ...more,
});
