import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { QueryClientProvider } from '@tanstack/react-query';
import { beforeEach, describe, expect, test, vi } from 'vitest';
import { v7 } from 'uuid';
import { queryClient } from '../../../data/queries';
import { TODAY } from '../../../tests/demoDog';
import { Toasts } from '../../../ui/toasts';
import { Letter } from './Letter';
import type { DogInstruction } from './instructionState';

const given = (letter: DogInstruction['letter'] = null): DogInstruction => ({
  id: v7(),
  version: 1,
  by: 'vet',
  who: 'Dr Oyelaran',
  place: null,
  says: { kind: 'bar', task: 'bath' },
  from: TODAY,
  until: null,
  letter,
});
let asked: { url: string; init: RequestInit }[];
let answer: () => Response;

beforeEach(() => {
  asked = [];
  answer = () => Response.json({});
  vi.stubGlobal('fetch', (url: string, init: RequestInit = {}) => {
    asked.push({ url, init });
    return Promise.resolve(answer());
  });
});
const showLetter = (of: DogInstruction) =>
  render(
    <QueryClientProvider client={queryClient}>
      <Letter given={of} />
      <Toasts />
    </QueryClientProvider>,
  );
const choose = (file: File) =>
  fireEvent.change(screen.getByLabelText('Letter or photo'), { target: { files: [file] } });

describe('the letter behind an instruction', () => {
  test('goes as it is, with its name', async () => {
    const of = given();
    showLetter(of);
    choose(new File(['dots'], 'Brief Söhne.png', { type: 'image/png' }));
    await waitFor(() => expect(asked).toHaveLength(1));
    expect(asked[0]).toMatchObject({
      url: `/api/instructions/${of.id}/letter`,
      init: { method: 'PUT', headers: { 'content-type': 'image/png', 'x-file-name': 'Brief%20S%C3%B6hne.png' } },
    });
  });

  test('what cannot be read is told in the server’s words', async () => {
    answer = () =>
      Response.json(
        { error: { kind: 'bad input', message: 'That is no picture and no PDF we can read.' } },
        { status: 422 },
      );
    showLetter(given());
    choose(new File(['MZ'], 'letter.png', { type: 'image/png' }));
    expect(await screen.findByText('That is no picture and no PDF we can read.')).toBeTruthy();
  });

  test('one that is too large is not sent at all', async () => {
    showLetter(given());
    const file = new File(['x'], 'scan.pdf', { type: 'application/pdf' });
    Object.defineProperty(file, 'size', { value: 13 * 1024 * 1024 });
    choose(file);
    expect(await screen.findByText(/larger than 12 MB/)).toBeTruthy();
    expect(asked).toEqual([]);
  });

  test('that is kept is a link, and is taken off', async () => {
    const of = given({ fileName: 'letter.png', mediaType: 'image/jpeg', size: 4000, addedBy: 'Ines' });
    showLetter(of);
    expect(screen.getByRole('link', { name: 'letter.png' }).getAttribute('href')).toBe(
      `/api/instructions/${of.id}/letter`,
    );
    fireEvent.click(screen.getByRole('button', { name: 'Take off letter.png' }));
    await waitFor(() => expect(asked[0]?.init.method).toBe('DELETE'));
  });
});
