import { screen } from '@testing-library/react';
import { describe, expect, test } from 'vitest';
import { TODAY, house, session } from '../../tests/demoDog';
import { openOffice, show } from '../../tests/office';
import { MixingScreen } from './MixingScreen';

function openBench(units: 'metric' | 'US' = 'metric', given = house({ units })) {
  openOffice({
    'GET /api/session': () => session(units),
    'GET /api/house': () => given,
    'GET /api/today': () => ({ day: TODAY, zone: 'Europe/London', dogs: [], mixes: [], watch: [] }),
  });
  return show(<MixingScreen />);
}
const field = (name: RegExp | string) => screen.getByLabelText<HTMLInputElement>(name);
const card = (title: RegExp | string) => screen.getByRole('heading', { name: title }).closest('section');

describe('mixing fresh', () => {
  test('24:1 in a half-litre bottle: 480 ml of water, four strokes, turn', async () => {
    openBench();
    await screen.findByLabelText('Mix wanted, ml');
    expect(card('Half-litre bottle')).toHaveWords(/480 ml.*4 × 5 ml.*Turn/);
  });

  test('any one number leads, the others follow; an untidy one offers the tidy', async () => {
    const { person } = openBench();
    await screen.findByLabelText('Mix wanted, ml');
    await person.clear(field('Mix wanted, ml'));
    await person.type(field('Mix wanted, ml'), '260');
    await person.click(screen.getByRole('button', { name: 'Tidy: 500 ml' }));
    expect(field('Mix wanted, ml').value).toBe('500');
  });

  test('a label read two ways shows both, and the chosen one counts', async () => {
    const { person } = openBench();
    await screen.findByLabelText('Mix wanted, ml');
    await person.clear(field(/Ratio/));
    await person.type(field(/Ratio/), '1:4');
    const [first, second] = screen.getAllByRole('radio');
    expect(first).toHaveWords(/4:1/);
    expect(second).toHaveWords(/3:1/);
    await person.click(second as HTMLElement);
    expect(card('Half-litre bottle')).toHaveWords(/375 ml/);
  });

  test.each([
    ['50:0', /zero/],
    ['abc', /no ratio we know/],
  ])('"%s" is told at the field', async (label, words) => {
    const { person } = openBench();
    await screen.findByLabelText('Mix wanted, ml');
    await person.clear(field(/Ratio/));
    await person.type(field(/Ratio/), label);
    expect(screen.getAllByText(words).length).toBeGreaterThan(0);
    expect(card('Not yet')).toBeTruthy();
  });

  test('in US units everything is in fluid ounces, strokes too, and the mix is the same', async () => {
    openBench('US');
    await screen.findByLabelText('Mix wanted, fl oz');
    expect(field('Mix wanted, fl oz').value).toBe('16.91');
    expect(field('One stroke, fl oz').value).toBe('0.17');
    expect(card('Half-litre bottle')).toHaveWords(/16 fl oz.*4 × 0\.17 fl oz/);
  });

  test('a house without bottles is told what to do first', async () => {
    openBench('metric', house({ bottles: [] }));
    expect(await screen.findByText('The house has no bottles yet.')).toBeTruthy();
  });
});

describe('the other sums at the bench', () => {
  const open = async (tab: string) => {
    const { person } = openBench();
    await person.click(await screen.findByRole('tab', { name: tab }));
    return person;
  };

  test('cutting 300 ml from 10:1 to 50:1 takes 1091 ml of water', async () => {
    await open('Cut a mix');
    // C1·V1 = C2·V2: 300/11 ml of product at 1/51 are 1390.9 ml.
    expect(card('Cut to 50:1')).toHaveWords(/1091 ml.*1391 ml\s*in all/);
  });

  test('cutting to a stronger mix is refused', async () => {
    const person = await open('Cut a mix');
    await person.clear(field('It should be'));
    await person.type(field('It should be'), '5:1');
    expect(card('That cannot be')).toHaveWords(/Water cannot make it stronger/);
  });

  test('a left-over of yesterday is poured away', async () => {
    const person = await open('Top up a left-over');
    expect(card('500 ml at 50:1')).toHaveWords(/296 ml.*3\.7 ml/);
    await person.selectOptions(field('Mixed'), 'before today');
    expect(card('That cannot be')).toHaveWords(/past its discard time/);
  });

  test('"I put three strokes in this bottle": too strong, and by how much', async () => {
    const person = await open('How strong is it?');
    expect(card('How strong it is')).toHaveWords(/49:1.*weaker than 24:1/);
    await person.clear(field('Strokes'));
    await person.type(field('Strokes'), '6');
    expect(card('How strong it is')).toHaveWords(/15\.7:1.*50\.0 % stronger than 24:1.*stronger than the label/);
  });
});
