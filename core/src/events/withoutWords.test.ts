import { expect, test } from 'vitest';
import { finding } from '../findings';
import { foldVisit } from '../visit';
import { typed, withoutWords, type Happening } from '.';
import { logged } from '../visit/tests/randomVisits';

const SECRET = 'Folake Adeyemi rang from 01632 960114';
const EAR = { site: 'ear', side: 'left' } as const;
const said: Happening[] = [
  { type: 'opened' },
  { type: 'found', finding: { ...finding(EAR, 'ear pale wax', 2), more: { colour: 'brown', words: SECRET } } },
  { type: 'noted', text: SECRET },
  { type: 'owner asked', about: null, question: `May we shave, ${SECRET}?`, answer: 'yes', words: SECRET, who: SECRET },
  { type: 'mat settled', place: EAR, way: 'shaved', word: SECRET, beneath: typed(SECRET), minutes: 5 },
  { type: 'incident', incident: { kind: 'nick', place: EAR, done: SECRET, told: SECRET, words: SECRET } },
  { type: 'step skipped', step: 'nails', because: typed(SECRET) },
  { type: 'step added', step: 'added 1', title: SECRET, before: null },
  { type: 'went home', because: typed(SECRET), back: null },
  { type: 'pad dirty', side: 'left', colour: 'brown' },
  { type: 'used', product: 'p', name: 'Oat gentle wash', ml: 300, planned: 280, how: 'measured' },
  { type: 'closed', how: 'ended early' },
];

test('no word of an owner is left, and what was seen and done stands', () => {
  const erased = said.map(withoutWords);
  expect(JSON.stringify(erased)).not.toContain('Folake');
  const [before, after] = [foldVisit(logged(said)), foldVisit(logged(erased))];
  const bare = (state: typeof before) => ({
    findings: state.findings.map(({ place, sign, grade }) => [place, sign, grade]),
    pads: state.pads,
    used: state.used,
    closed: state.closed,
    incidents: state.incidents.map(({ kind, place }) => [kind, place]),
    skipped: Object.keys(state.steps),
  });
  expect(bare(after)).toEqual(bare(before));
  expect(erased.map(withoutWords)).toEqual(erased);
});
