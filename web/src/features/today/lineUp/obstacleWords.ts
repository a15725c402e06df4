import type { TodayView } from '@dewpond/contract';
import type { Obstacle } from '@dewpond/core/lineup';
import { dogOf } from './dayOfWork';
import { wallTime } from '../../../browser/times';
import { nameOf } from './Ribbon';

/** What forbids a time, as a sentence. */
export function obstacleWords(today: TodayView, dog: string, obstacle: Obstacle): string {
  const name = (id: string) => dogOf(today, id)?.appointment.dogName ?? 'another dog';
  switch (obstacle.kind) {
    case 'comes':
      return `${name(dog)} is not here before ${wallTime(obstacle.at)}.`;
    case 'last':
      return `What ${name(dog)} had last time may spread: it comes after all others.`;
    case 'own part':
      return obstacle.rest > 0
        ? `${name(dog)} is at the ${obstacle.part} part until ${wallTime(obstacle.until)}, and then rests ${obstacle.rest} min in its towel.`
        : `${name(dog)} is at the ${obstacle.part} part until ${wallTime(obstacle.until)}.`;
    case 'no work':
      return `${nameOf(today, obstacle.person)} does not work before ${wallTime(obstacle.until)}.`;
    case 'hands':
      return `${nameOf(today, obstacle.person)} has ${name(obstacle.dog)} until ${wallTime(obstacle.until)}.`;
    case 'meets':
      return `${name(dog)} cannot meet ${name(obstacle.dog)}, which is out until ${wallTime(obstacle.until)}.`;
    case 'place':
      return `${name(obstacle.dog)} has the ${obstacle.place} until ${wallTime(obstacle.until)}.`;
    case 'helper':
      return `Nobody is free then to hold ${name(dog)}.`;
    case 'lift':
      return `Two lift ${name(dog)}, into the tub and out: nobody has a hand free then.`;
  }
}
