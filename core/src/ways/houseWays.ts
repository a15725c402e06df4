/** One question of the trade, and the schools Dewpond supports. The first school is the default. */
interface SchoolQuestion<School extends string> {
  readonly asks: string;
  readonly schools: readonly {
    readonly id: School;
    readonly words: string;
    readonly for: string;
    readonly warns?: string;
  }[];
  readonly default: School;
}

const question = <const School extends string>(
  asks: string,
  byDefault: NoInfer<School>,
  schools: readonly { readonly id: School; readonly words: string; readonly for: string; readonly warns?: string }[],
): SchoolQuestion<School> => ({ asks, schools, default: byDefault });

/** Questions on which salons differ. Every school is common practice; which one is the default is a house value. */
export const HOUSE_QUESTIONS = {
  earCleaning: question('How is cleaner put into an ear?', 'few drops', [
    {
      id: 'few drops',
      words: 'A few drops down the flap, nozzle never touching',
      for: 'Little liquid, less fright; fits puppies too.',
    },
    {
      id: 'fill',
      words: 'Filled until it just begins to spill',
      for: 'Floats out what lies deep.',
      warns: 'Nozzle at or just inside the opening, never deep.',
    },
    {
      id: 'soaked cotton',
      words: 'A well-soaked piece of cotton, pressed and moved',
      for: 'Nothing is poured, the dog feels it coming.',
    },
    {
      id: 'damp pad only',
      words: 'Damp pad over the finger, nothing poured',
      for: 'Driest of all, for ears that are nearly clean.',
    },
  ]),
  earOrder: question('Liquid first or dry first?', 'dry first', [
    { id: 'dry first', words: 'Loose dry debris off first, then cleaner', for: 'Less is washed inwards.' },
    { id: 'liquid first', words: 'Cleaner first', for: 'Nothing dry is rubbed over skin.' },
  ]),
  earsAtHome: question('What do owners do with ears at home?', 'where visits are rare', [
    {
      id: 'where visits are rare',
      words: 'Look once a week; wipe the outer ear where visits come too rarely',
      for: 'No more is done to an ear than it needs.',
    },
    {
      id: 'only look',
      words: 'Look and smell once a week; nothing goes in',
      for: 'Nobody is harmed by a look, and a change is seen early.',
    },
    {
      id: 'wipe',
      words: 'Wipe the outer ear every week to ten days, where ears are covered',
      for: 'Covered ears stay damp between visits.',
      warns: 'Only owners who were shown how; outer ear only, never a swab.',
    },
  ]),
  nozzle: question('Where does the nozzle stay?', 'never touching', [
    { id: 'never touching', words: 'Nozzle never touches the ear', for: 'The bottle stays clean.' },
    {
      id: 'just inside',
      words: 'Nozzle just inside the opening',
      for: 'Less runs beside it.',
      warns: 'Wiped with disinfectant between ears and dogs.',
    },
  ]),
  massage: question('How long is the base of the ear massaged?', '30 s', [
    { id: '30 s', words: 'Massage for 20–30 seconds', for: 'Enough for most ears.' },
    { id: '60 s', words: 'Massage for a minute', for: 'Loosens thick wax.' },
  ]),
  afterMassage: question('What comes after the massage?', 'shake then wipe', [
    { id: 'shake then wipe', words: 'Let the dog shake, then wipe', for: 'Shaking brings dirt up.' },
    { id: 'wipe then shake', words: 'Wipe, then let it shake', for: 'Less on the walls.' },
  ]),
  earsWhen: question('When are ears cleaned?', 'before', [
    { id: 'before', words: 'Before the bath, wiped after', for: 'Cleaner works through the bath.' },
    { id: 'after', words: 'After drying', for: 'Bath water in the ear is dried in the same go.' },
    { id: 'both', words: 'Before, and a second round after', for: 'For ears that bring up much.' },
  ]),
  alcohol: question('Alcohol in ear cleaner?', 'avoided', [
    { id: 'avoided', words: 'No alcohol in ears', for: 'It stings; a drying cleaner does as well.' },
    {
      id: 'used',
      words: 'Used for fast drying',
      for: 'Dries fast.',
      warns: 'It stings. Never dripping, never on red or broken skin.',
    },
  ]),
  earHair: question('What is done with hair in the ear canal?', 'leave', [
    { id: 'leave', words: 'Leave it; pluck only where a vet asks', for: 'A healthy ear is left alone.' },
    {
      id: 'routine',
      words: 'Take it out each visit where it grows densely',
      for: 'Hair gives wax and water something to cling to.',
      warns: 'Much hair at once hurts and inflames.',
    },
    {
      id: 'staged',
      words: 'A few tufts each visit, from the edge inwards',
      for: 'Gentler for first times and dense growth.',
    },
    { id: 'trim', words: 'Blunt-nosed scissors on what sticks out', for: 'For dogs that cannot bear plucking.' },
  ]),
  pluckWith: question('What takes hair out of an ear?', 'fingers', [
    { id: 'fingers', words: 'Fingers', for: 'One feels how firmly it sits.' },
    { id: 'fingers and powder', words: 'Fingers, with a little powder', for: 'Grip.', warns: 'Wiped out afterwards.' },
    {
      id: 'forceps',
      words: 'Forceps, blunt',
      for: 'Reaches single tufts.',
      warns: 'The dog held still; skin is not hair.',
    },
    {
      id: 'forceps and powder',
      words: 'Forceps, with a little powder',
      for: 'Grip on fine hair.',
      warns: 'Wiped out afterwards.',
    },
  ]),
  earPlugs: question('When do cotton plugs go in?', 'before the head', [
    { id: 'before the head', words: 'Before water comes to the head', for: 'In for the shortest time.' },
    { id: 'before all water', words: 'Before any water', for: 'Nothing is forgotten once wet.' },
    {
      id: 'hand shield',
      words: 'No plugs; a hand shields the ear',
      for: 'Nothing can be left in.',
      warns: 'Water is aimed away all the same.',
    },
  ]),
  nails: question('When are nails done?', 'before the bath', [
    {
      id: 'before the bath',
      words: 'Before the bath',
      for: 'A nicked nail can be stopped, hold, and be washed clean.',
    },
    { id: 'after the bath', words: 'After the bath', for: 'Soaked nails cut softer.' },
  ]),
  firstClip: question('When are face, feet and rear clipped?', 'before the bath', [
    { id: 'before the bath', words: 'Before the bath', for: 'Less hair to wash and dry.' },
    { id: 'after drying', words: 'All clipping after drying', for: 'A clean coat spares the blade.' },
  ]),
  washes: question('How many washes?', 'two', [
    {
      id: 'two',
      words: 'Two; the second takes half',
      for: 'The first takes the dirt off, the second cleans coat and skin.',
    },
    { id: 'one', words: 'One', for: 'Quick.', warns: 'Then the rinse must be perfect.' },
  ]),
  reach: question('How does the mix reach the coat?', 'bottle', [
    { id: 'bottle', words: 'Poured from a bottle', for: 'One sees what it takes.' },
    { id: 'sponge', words: 'Worked in with a sponge from a bowl', for: 'Little runs off: a fifth less.' },
    {
      id: 'hose mixer',
      words: 'Through a mixer on the hose',
      for: 'Quick on thick coats; it takes about a third more.',
      warns: 'Never for a product whose strength a vet gave.',
    },
  ]),
  ratioRange: question('A label allows a range of ratios: which one?', 'by purpose', [
    {
      id: 'by purpose',
      words: 'The strong end for the first wash of a dirty dog, the weak end for all else',
      for: 'Strong only where there is dirt; never on tender skin.',
    },
    { id: 'one ratio', words: 'Always the ratio set on the product', for: 'One mix for every dog.' },
  ]),
  head: question('When is the head washed?', 'last', [
    { id: 'last', words: 'Head last', for: 'The dog shakes later.' },
    { id: 'first', words: 'Head first', for: 'The rinse runs down over the rest.' },
    { id: 'neck down only', words: 'Not at all: neck down, face by pad', for: 'For dogs that panic with a wet face.' },
  ]),
  medicated: question('How is a medicated wash timed?', 'both washes timed', [
    { id: 'both washes timed', words: 'Timed in both washes', for: 'The label asks for contact, twice is surer.' },
    {
      id: 'plain wash first',
      words: 'A plain wash first, the second timed',
      for: 'Less product on dirt.',
      warns: 'Label or vet decides.',
    },
  ]),
  conditioner: question('When is conditioner used?', 'long or dry coats', [
    { id: 'long or dry coats', words: 'Only on long or dry coats', for: 'Where combing needs it.' },
    { id: 'always', words: 'Always', for: 'Loosens moulting hair.' },
    { id: 'own interval', words: 'On its own interval', for: 'Now and then keeps a coat supple.' },
    { id: 'never', words: 'Never', for: 'It leaves a film and softens before scissoring.' },
  ]),
  faceProduct: question('What washes the face?', 'tear-free', [
    { id: 'tear-free', words: 'A mild, tear-free face product', for: 'Cleans without burning.' },
    { id: 'mild wash for all', words: 'One mild wash for head and body', for: 'One bottle; nothing is mixed up.' },
    { id: 'plain water', words: 'Plain water', for: 'Nothing to lick up.' },
    { id: 'pads only', words: 'No wash but pads', for: 'For dogs that fight water at the face.' },
  ]),
  eyeCrust: question('Where is crust at the eye loosened?', 'on the table', [
    { id: 'on the table', words: 'On the table, plain water and time', for: 'No soap, no jet near a sore lid.' },
    {
      id: 'in the tub',
      words: 'In the tub, mild face product',
      for: 'One wetting for all.',
      warns: 'Crust fixed to a lid is softened on the table first.',
    },
    { id: 'clip the loose piece', words: 'Clip off the loose piece', for: 'Quickest.', warns: 'Scissors point away.' },
  ]),
  eyeCorner: question('Hair in the eye corner?', 'leave and clean', [
    { id: 'leave and clean', words: 'Leave it, clean daily', for: 'No stubble at the eye.' },
    { id: 'clip', words: 'Clip it, lightly', for: 'For an owner with little time: short hair there stays cleaner.' },
  ]),
  foldWipe: question('What wipes a fold?', 'cloth', [
    { id: 'cloth', words: 'Soft cloth in warm water', for: 'Nothing left behind.' },
    { id: 'pet wipe', words: 'Dog wipe', for: 'Quick.', warns: 'Product wiped off after.' },
    { id: 'plain wipe', words: 'Plain unscented wipe', for: 'Quick, without scent.' },
  ]),
  foldProtect: question('What protects a dry fold?', 'none', [
    { id: 'none', words: 'Nothing', for: 'Dry skin needs nothing.' },
    { id: 'balm', words: 'Thin, lick-safe barrier balm', for: 'Keeps moisture off.', warns: 'Never on red skin.' },
    {
      id: 'powder',
      words: 'Drying powder, sparingly',
      for: 'Keeps a deep fold dry.',
      warns: 'Away from eyes and nostrils. Not with balm.',
    },
  ]),
  brushOut: question('When is the coat brushed out?', 'before the bath', [
    { id: 'before the bath', words: 'Brushed out before the bath', for: 'Water tightens what is tangled.' },
    {
      id: 'after the bath',
      words: 'Brushed out after drying',
      for: 'A clean coat brushes easier.',
      warns: 'Only where no mat was found: water tightens a mat.',
    },
  ]),
  standingMinutes: question('How long do old, blind or flat-faced dogs stand at most?', '45 min', [
    { id: '45 min', words: '45 minutes, then leave out or split', for: 'Room for a bath and a brush.' },
    { id: '30 min', words: '30 minutes, then leave out or split', for: 'Two short visits rather than a long one.' },
    { id: '60 min', words: 'An hour, then leave out or split', for: 'For dogs that rest well between.' },
    { id: 'no limit', words: 'By eye', for: 'Nobody is reminded.', warns: 'A dog that tires does not say so.' },
  ]),
  dryerMinutes: question('How long under a dryer are they at most?', '15 min', [
    { id: '15 min', words: '15 minutes, then a break or towels', for: 'Cool air, and watched.' },
    { id: '10 min', words: '10 minutes, then a break or towels', for: 'For the flattest faces, and in summer.' },
    { id: '25 min', words: '25 minutes, then a break or towels', for: 'Thick coats that rest well.' },
    { id: 'no limit', words: 'By eye', for: 'Nobody is reminded.', warns: 'They overheat quickly.' },
  ]),
  disinfect: question('How long does your disinfectant stay on?', '5 min', [
    { id: '5 min', words: '5 minutes', for: 'As many labels ask.' },
    { id: '1 min', words: '1 minute', for: 'Quick ones; read the label.' },
    { id: '10 min', words: '10 minutes', for: 'Stronger ones, and after what may spread.' },
    { id: '15 min', words: '15 minutes', for: 'As a few labels ask.' },
  ]),
  comb: question('When is it combed?', 'dry only', [
    { id: 'dry only', words: 'Combed only when dry', for: 'Wet hair breaks.' },
    { id: 'also damp', words: 'Combed damp as well', for: 'Knots show before they dry in.' },
  ]),
  teeth: question('Teeth at visits?', 'at home only', [
    { id: 'at home only', words: 'Teeth at home only', for: 'What counts is every day.' },
    { id: 'brush', words: 'Brushed at visits, if agreed', for: 'The owner sees how.' },
    { id: 'gel', words: 'Gel at visits, if agreed', for: 'For dogs that mind a brush.' },
  ]),
  pumpWaste: question('How much mix may be thrown away for the sake of whole pump strokes?', '20 %', [
    { id: '20 %', words: 'Up to a fifth; beyond that the product is measured', for: 'Quick where it costs little.' },
    { id: '10 %', words: 'Up to a tenth', for: 'Expensive products, many small dogs.' },
    { id: '50 %', words: 'Up to half', for: 'Fewer measuring cups to wash.' },
    {
      id: 'any',
      words: 'Whatever it comes to: never measured',
      for: 'One way for every hand.',
      warns: 'A small batch can grow tenfold.',
    },
  ]),
  readsOneTo: question('How does this business read "1:50" on a label?', 'N parts water', [
    { id: 'N parts water', words: '50 parts water to 1 of product', for: 'Weaker, gentler.' },
    { id: 'N parts in all', words: '50 parts in all', for: 'As chemists write it.' },
  ]),
} as const;

export type HouseQuestion = keyof typeof HOUSE_QUESTIONS;
export const ALL_HOUSE_QUESTIONS = Object.keys(HOUSE_QUESTIONS) as readonly HouseQuestion[];

/** The business's choice for every question. */
export type HouseWays = { readonly [Q in HouseQuestion]: (typeof HOUSE_QUESTIONS)[Q]['schools'][number]['id'] };

export const DEFAULT_HOUSE_WAYS = Object.fromEntries(
  ALL_HOUSE_QUESTIONS.map((key) => [key, HOUSE_QUESTIONS[key].default]),
) as unknown as HouseWays;

const WASTE: Readonly<Record<HouseWays['pumpWaste'], number>> = {
  '10 %': 0.1,
  '20 %': 0.2,
  '50 %': 0.5,
  any: Infinity,
};

/** The most mix beyond what is wanted that is borne for whole strokes, as a share of what is wanted. */
export const mostWaste = ({ pumpWaste }: Pick<HouseWays, 'pumpWaste'>): number => WASTE[pumpWaste];

/** The words of the school the business follows. */
export const schoolWords = (ways: HouseWays, question: HouseQuestion): string => {
  const schools: readonly { readonly id: string; readonly words: string }[] = HOUSE_QUESTIONS[question].schools;
  return schools.find((school) => school.id === ways[question])?.words ?? ways[question];
};
