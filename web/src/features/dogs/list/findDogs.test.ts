import { describe, expect, test } from 'vitest';
import { findDogs, indexDogs, type Findable } from './findDogs';

const dog = (name: string, owner: string, breed: string, phone: string, street = ''): Findable => ({
  id: name,
  name,
  owner,
  breed,
  phone,
  street,
});
const DOGS = [
  dog('Teasel', 'Folake Adéyemí', 'Lagotto Romagnolo × Miniature Poodle', '01632 960114'),
  dog('Radish', 'Amara Nwosu', 'Pug', '01632 960171, 07700 900123', '12 Slip Row'),
  dog('Barley', 'Priya Raman', 'English Cocker Spaniel', '01632 960139'),
  dog('Plover', 'Wen Halloran', 'Whippet', '01632 960168'),
  dog('Quill', 'Łucja Søndergaard', 'Dachshund, wire-haired', '01632 960155'),
];
const index = indexDogs(DOGS);
const found = (words: string) => findDogs(index, words)?.map((place) => DOGS[place]?.name) ?? null;

describe('finding a dog', () => {
  test.each([
    ['tea', ['Teasel']],
    ['TEASEL', ['Teasel']],
    ['adeyemi', ['Teasel']],
    ['lucja sondergaard', ['Quill']],
    ['960171', ['Radish']],
    ['07700900123', ['Radish']],
    ['slip row', ['Radish']],
    ['01632960139', ['Barley']],
    ['cocker priya', ['Barley']],
    ['whippet halloran', ['Plover']],
    ['plover h', ['Plover']],
  ])('"%s" finds %j', (words, names) => {
    expect(found(words)).toEqual(names);
  });

  test.each([
    ['teasle', 'Teasel'],
    ['radsh', 'Radish'],
    ['dachsund', 'Quill'],
    ['halorann', 'Plover'],
  ])('a slip, "%s", still finds %s first', (words, name) => {
    expect(found(words)?.[0]).toBe(name);
  });

  test('one or two letters look at names only: more would be every second dog', () => {
    expect(found('r')).toEqual(['Radish']);
    expect(found('wh')).toEqual([]);
  });

  test('all words must fit; no word is every dog; nonsense is none', () => {
    expect(found('pug halloran')).toEqual([]);
    expect(found('  ')).toBeNull();
    expect(found('zzzzzz')).toEqual([]);
    expect(findDogs(indexDogs([]), 'pug')).toEqual([]);
  });
});
