import { instructionFields } from '@dewpond/contract';
import { placesOf } from '@dewpond/core/places';
import { describe, expect, test } from 'vitest';
import { v7 } from 'uuid';
import {
  changed,
  emptyForm,
  instructionOf,
  choosable,
  liftableFor,
  placesFor,
  type InstructionForm,
} from './instructionForm';

const PLACES = placesOf(['nose', 'lip']);
const start: InstructionForm = { ...emptyForm('2026-11-25'), who: 'Dr Oyelaran', productId: v7() };
const fill = (...changes: Partial<InstructionForm>[]) =>
  changes.reduce<InstructionForm>((form, change) => changed(form, change, PLACES), start);
const sent = (form: InstructionForm) => instructionFields.safeParse(instructionOf(form));

describe('the instruction form', () => {
  test.each<[string, Partial<InstructionForm>]>([
    ['own wash', { kind: 'bath product' }],
    ['no ears', { kind: 'bar', task: 'ear cleaning' }],
    ['nails every three weeks', { kind: 'interval', task: 'nails', days: '21' }],
    ['a face wiped three times a day at home', { kind: 'at home', task: 'eyes and face', timesADay: 3 }],
    ['another care at home than may be asked for', { kind: 'at home', task: 'bath' }],
    ['pluck left only', { kind: 'ear hair', way: 'whole', place: 'ear/left' }],
    ['may clean in spite of a smell', { kind: 'lift', until: '2026-12-31' }],
  ])('%s makes a body that the server takes', (_, change) => {
    expect(sent(fill(change)).error?.issues ?? []).toEqual([]);
  });

  test.each<[string, Partial<InstructionForm>, string]>([
    ['nobody said it', { who: ' ' }, 'who'],
    ['every 0 days', { kind: 'interval', days: '0' }, 'says.days'],
    ['every "often" days', { kind: 'interval', days: 'often' }, 'says.days'],
    ['no product chosen', { productId: '' }, 'says.productId'],
    ['no time of contact', { contactMinutes: ' ' }, 'says.contactMinutes'],
    ['two hours of contact', { contactMinutes: '120' }, 'says.contactMinutes'],
    ['ends before it begins', { until: '2026-11-01' }, 'until'],
    ['a lift without an end', { kind: 'lift' }, 'says'],
  ])('%s is refused at its field', (_, change, path) => {
    expect(sent(fill(change)).error?.issues.map((issue) => issue.path.join('.'))).toContain(path);
  });

  test('a place that does not fit the task is dropped; one that fits is kept', () => {
    const leftEar = fill({ kind: 'bar', task: 'ear cleaning' }, { place: 'ear/left' });
    expect(leftEar.place).toBe('ear/left');
    expect(changed(leftEar, { task: 'ear hair' }, PLACES).place).toBe('ear/left');
    expect(changed(leftEar, { task: 'nails' }, PLACES).place).toBe('');
  });

  test('a lift is a vet’s, at a place, for a sign that can be there', () => {
    const lift = fill({ by: 'owner' }, { kind: 'lift' }, { place: 'eye/right' });
    expect(lift.by).toBe('vet');
    expect(choosable('lift', 'eye/right').map(({ id }) => id)).toContain(lift.lifts);
    expect(choosable('lift', 'ear/left').map(({ id }) => id)).toContain('drum torn or suspected');
    expect(choosable('lift', '')).toEqual([]);
    // What goes to a vet each time anew is not offered, nor a procedure that the sign does not take away.
    expect(choosable('lift', 'ear/left').map(({ id }) => id)).not.toContain('ear blood');
    expect(liftableFor('ear/left', 'ear redness')).not.toContain('comb');
    expect(liftableFor('side/left', 'wet sore')).toContain('wash');
  });

  test('a vet knows slight signs at a place; pain, smell and blood are not among them', () => {
    const knows = fill({ by: 'owner' }, { kind: 'knows' }, { place: 'fold nose/none' });
    expect([knows.by, sent(knows).success]).toEqual(['vet', true]);
    const signs = choosable('knows', 'fold nose/none').map(({ id }) => id);
    expect(signs).toContain('fold redness');
    expect(signs).not.toContain('fold smell');
  });

  test('places offered are those of the task', () => {
    const sites = (form: InstructionForm) => new Set(placesFor(form, PLACES).map(({ site }) => site));
    expect(sites(fill({ kind: 'bar', task: 'fold care' }))).toEqual(new Set(['fold nose', 'fold lip']));
    expect(sites(fill({ kind: 'interval', task: 'bath' }))).toEqual(new Set());
    expect(sites(fill({ kind: 'at home', task: 'fold care' }))).toEqual(new Set(['fold nose', 'fold lip']));
    expect(sites(fill({ kind: 'ear hair' }))).toEqual(new Set(['ear']));
  });
});
