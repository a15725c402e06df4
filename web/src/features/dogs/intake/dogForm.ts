import { clientFields, dogProfile, notInFuture, type DogProfile, type DogProfileInput } from '@dewpond/contract';
import { SKIN, type CoatCondition, type Skin } from '@dewpond/core/dog';
import { EASY, type HandlingNotes } from '@dewpond/core/handling';
import { KG_PER_POUND, type Day, type UnitSystem } from '@dewpond/core/units';
import { z } from 'zod';
import { typedNumber } from '../../../forms/typedNumber';

/** The form as typed: text everywhere, so that nothing is lost while it does not fit yet. */
export interface DogForm {
  readonly clientId: string;
  readonly owner: string;
  readonly phone: string;
  readonly email: string;
  readonly name: string;
  readonly breeds: readonly string[];
  readonly weight: string;
  readonly born: string;
  readonly skin: Skin;
  readonly coatCondition: CoatCondition;
  readonly tearingSeenByVet: boolean;
  readonly pluckingConsent: boolean;
  readonly cannotStand: boolean;
  readonly swims: boolean;
  readonly nailsOvergrown: boolean;
  readonly earTrouble: DogProfile['earTrouble'];
  /** Traits a groomer saw; the rest are the breed's. */
  readonly seen: DogProfile['seen'];
  readonly sex: DogProfile['sex'];
  readonly chip: string;
  readonly handling: HandlingNotes;
  /** Marks in the groomer's own words, parted by commas. */
  readonly marks: string;
  readonly note: string;
  readonly nailBled: boolean;
  readonly reactions: string;
  readonly hazeKnown: boolean;
  readonly ears: DogProfile['ears'];
  readonly pluckingStress: DogProfile['pluckingStress'];
  readonly grassSeedMonths: readonly number[];
  readonly hayFeverMonths: readonly number[];
  readonly dirtyWork: boolean;
  readonly hardGround: boolean;
  readonly whiteCoat: boolean;
  readonly stiffJoints: boolean;
  readonly tightBreathing: boolean;
}

const UNKNOWN_EAR: DogProfile['ears']['left'] = { conditions: [], plucked: 'not known', ownerForbidsPlucking: false };

export const EMPTY_FORM: DogForm = {
  clientId: '',
  owner: '',
  phone: '',
  email: '',
  name: '',
  breeds: [],
  weight: '',
  born: '',
  skin: SKIN[0],
  coatCondition: 'good',
  tearingSeenByVet: false,
  pluckingConsent: false,
  cannotStand: false,
  swims: false,
  nailsOvergrown: false,
  earTrouble: 'none',
  seen: {},
  sex: 'not known',
  chip: '',
  handling: EASY,
  marks: '',
  note: '',
  nailBled: false,
  reactions: '',
  hazeKnown: false,
  ears: { left: UNKNOWN_EAR, right: UNKNOWN_EAR },
  pluckingStress: 'none',
  grassSeedMonths: [],
  hayFeverMonths: [],
  dirtyWork: false,
  hardGround: false,
  whiteCoat: false,
  stiffJoints: false,
  tightBreathing: false,
};

/** What the form says about the dog, in the contract's shape; `kept` holds what the form does not ask. */
export function profileOf(form: DogForm, units: UnitSystem, stored: Partial<DogProfileInput> = {}): DogProfileInput {
  const typed = typedNumber(form.weight);
  return {
    ...stored,
    name: form.name,
    breeds: [...form.breeds],
    weightKg: units === 'US' ? Math.round(typed * KG_PER_POUND * 100) / 100 : typed,
    born: form.born === '' ? null : form.born,
    skin: form.skin,
    coatCondition: form.coatCondition,
    tearingSeenByVet: form.tearingSeenByVet,
    pluckingConsent: form.pluckingConsent,
    canStandThroughBath: !form.cannotStand,
    swims: form.swims,
    nailsOvergrown: form.nailsOvergrown,
    earTrouble: form.earTrouble,
    seen: form.seen,
    sex: form.sex,
    chip: form.chip.replaceAll(/[\s.-]/g, '').toUpperCase(),
    handling: {
      ...form.handling,
      minds: [...form.handling.minds],
      likes: [...form.handling.likes],
      marks: marksOf(form.marks),
    },
    note: form.note,
    nailBled: form.nailBled,
    reactions: form.reactions,
    hazeKnown: form.hazeKnown,
    ears: form.ears,
    pluckingStress: form.pluckingStress,
    grassSeedMonths: [...form.grassSeedMonths],
    hayFeverMonths: [...form.hayFeverMonths],
    dirtyWork: form.dirtyWork,
    hardGround: form.hardGround,
    whiteCoat: form.whiteCoat,
    stiffJoints: form.stiffJoints,
    tightBreathing: form.tightBreathing,
  };
}

const marksOf = (typed: string): string[] =>
  typed
    .split(/[,;\n]/)
    .map((mark) => mark.trim())
    .filter(Boolean);

/** The new owner's card as typed; more is asked on the owner's own page. */
const cardOf = ({ phone, email }: Pick<DogForm, 'phone' | 'email'>) => ({
  phones: phone.trim() === '' ? [] : [{ number: phone }],
  emails: email.trim() === '' ? [] : [email.trim()],
});

/** What a first visit writes down: an owner who is not in the book yet, and the dog. */
export const intakeOf = (form: DogForm, units: UnitSystem) => ({
  owner: form.clientId === '' ? { name: form.owner, card: cardOf(form) } : null,
  profile: profileOf(form, units),
});
export type Intake = ReturnType<typeof intakeOf>;

/** A dog as the contract knows it, born by today. Asked of the field: a rule of the whole waits until all else fits. */
export const bornBy = (today: Day) =>
  dogProfile.extend({
    born: dogProfile.shape.born.superRefine((born, context) => {
      const future = notInFuture({ born }, today);
      if (future) context.addIssue({ code: 'custom', message: future.message });
    }),
  });

export const intakeFits = (today: Day) => z.strictObject({ owner: clientFields.nullable(), profile: bornBy(today) });
