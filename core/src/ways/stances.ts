/** Where the trade disagrees and Dewpond does not offer the choice: what it does instead, and why. */
export const HOUSE_STANCES = [
  {
    asks: 'An ear that looks bad',
    schools: 'clear it and pour · clean, treat if it stays · stop and refer',
    does: 'Stop and refer, by the table of signs.',
    why: 'What is under the dirt only a vet can see.',
  },
  {
    asks: 'How deep and how hard in an ear',
    schools: 'deep, vigorous · first joint, light',
    does: 'Light, only as deep as the eye sees.',
    why: 'The canal bends; the drum is easily torn.',
  },
  {
    asks: 'Cotton buds',
    schools: 'never · outer flap · mouth of the canal',
    does: 'Visible outer flap only, each end once.',
    why: 'A dog jerks, the drum tears, and wax is pushed deeper.',
  },
  {
    asks: 'Diluting',
    schools: 'always · optional',
    does: 'Always as the label says; neat use is warned of.',
    why: 'Neat concentrate irritates, rinses badly and wastes money.',
  },
  {
    asks: 'Drying a fold',
    schools: 'dried · left',
    does: 'Always dried.',
    why: 'Damp folds turn sore.',
  },
  {
    asks: 'Stain removers, chews and steroid creams',
    schools: 'used by some',
    does: 'For a vet to decide; caustic ones never.',
    why: 'They burn, or they are medicines.',
  },
  {
    asks: 'How often a face is cleaned',
    schools: 'daily · now and then',
    does: 'By how much it tears; daily when wet.',
    why: 'Wet hair stains, then smells, then makes skin sore.',
  },
  {
    asks: 'Big raw bones for teeth',
    schools: 'given · not given',
    does: 'Not supported.',
    why: 'Broken teeth, germs.',
  },
  {
    asks: 'Making a dog stand',
    schools: 'a hand under the belly or between the hind legs',
    does: 'Not offered: sling, mat, or washed lying down.',
    why: 'It frightens, and it can hurt.',
  },
] as const;
