import { screen } from '@testing-library/react';
import type { UserEvent } from '@testing-library/user-event';

/** Opens a list and takes one of it, as a hand does. */
export async function choose(person: UserEvent, list: HTMLElement, option: string | RegExp): Promise<void> {
  await person.click(list);
  await person.click(await screen.findByRole('option', { name: option }));
}
