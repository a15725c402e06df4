/** Names of the invented harbour town: made up, from several cultures; telephone numbers are from ranges kept for fiction. */

/** Some are borne by two dogs, as in any book; none by a dog of the smaller world. */
export const DOG_NAMES = [
  ...['Quill', 'Tansy', 'Fennel', 'Juniper', 'Mistral', 'Wren', 'Nettle', 'Pippin', 'Cricket', 'Marlow', 'Rook'],
  ...['Thimble', 'Saffron', 'Clover', 'Puddle', 'Sprocket', 'Kelpie', 'Bobbin', 'Larch', 'Rushes', 'Smudge', 'Tolly'],
  ...['Vesper', 'Willow', 'Yarrow', 'Zephyr', 'Alder', 'Aspen', 'Avocet', 'Bilberry', 'Birch', 'Biscuit', 'Bracken'],
  ...['Burdock', 'Button', 'Caraway', 'Catkin', 'Cinder', 'Cobble', 'Comfrey', 'Conker', 'Coot', 'Crumb', 'Curlew'],
  ...['Damson', 'Dipper', 'Dogwood', 'Driftwood', 'Dulse', 'Dunlin', 'Ember', 'Fern', 'Finch', 'Flint', 'Gannet'],
  ...['Ginger', 'Godwit', 'Gorse', 'Grebe', 'Hazel', 'Heather', 'Hobnob', 'Inkle', 'Jackdaw', 'Kestrel', 'Kipper'],
  ...['Knot', 'Lichen', 'Linnet', 'Lovage', 'Mallow', 'Marram', 'Medlar', 'Merlin', 'Minnow', 'Moss', 'Muffin'],
  ...['Mustard', 'Newt', 'Nutmeg', 'Oakum', 'Oyster', 'Parsley', 'Pebble', 'Periwinkle', 'Pewter', 'Pickle', 'Pollen'],
  ...['Poppy', 'Primrose', 'Puffin', 'Purslane', 'Quince', 'Reed', 'Robin', 'Rowan', 'Rusk', 'Sage', 'Samphire'],
  ...['Sandpiper', 'Sedge', 'Shale', 'Shingle', 'Siskin', 'Skipper', 'Sloe', 'Snipe', 'Sparrow', 'Speckle', 'Spindle'],
  ...['Starling', 'Stoat', 'Swift', 'Tamarisk', 'Tangle', 'Tarn', 'Tern', 'Thistle', 'Thrift', 'Tinder', 'Truffle'],
  ...['Turnip', 'Twill', 'Vetch', 'Waffle', 'Whelk', 'Whin', 'Widgeon', 'Winkle', 'Woad', 'Wagtail', 'Yaffle'],
] as const;

export const GIVEN_NAMES = [
  ...['Adaeze', 'Aino', 'Alasdair', 'Amina', 'Anahera', 'Anouk', 'Arjun', 'Astrid', 'Beatriz', 'Bronwen', 'Caspian'],
  ...['Chidi', 'Dagmar', 'Daiki', 'Eilidh', 'Elif', 'Emeka', 'Esme', 'Farah', 'Fionn', 'Gwen', 'Hamish', 'Haruka'],
  ...['Ignacio', 'Ilse', 'Imran', 'Ioana', 'Isla', 'Jamila', 'Jarek', 'Joaquim', 'Kalani', 'Katya', 'Kwame', 'Leila'],
  ...['Linnea', 'Ludo', 'Maeve', 'Malia', 'Manon', 'Marisol', 'Mateus', 'Meera', 'Minh', 'Nadia', 'Nils', 'Oksana'],
  ...['Olu', 'Paloma', 'Piet', 'Rahel', 'Rosalind', 'Sakari', 'Samira', 'Sigrid', 'Soraya', 'Tamsin', 'Tariq', 'Tui'],
  ...['Ulla', 'Vikram', 'Winona', 'Xanthe', 'Yara', 'Yoko', 'Zainab', 'Zoltan'],
] as const;

export const FAMILY_NAMES = [
  ...['Abernethy', 'Adisa', 'Almeida', 'Banerjee', 'Bergstrand', 'Birtwell', 'Cardozo', 'Chukwu', 'Dalgaard'],
  ...['Delacroix', 'Eriksen', 'Faleolo', 'Farrow', 'Ganesan', 'Garrick', 'Haapala', 'Hargreave', 'Ibarra', 'Iwata'],
  ...['Jelani', 'Kaipara', 'Karimi', 'Kowalczyk', 'Larkspur', 'Lefebvre', 'Lindgren', 'Mahlangu', 'Marchetti', 'Mori'],
  ...['Nakamura', 'Ngata', 'Novak', 'Obasi', 'Odell', 'Pemberley', 'Petrov', 'Quiroga', 'Rasmussen', 'Rao', 'Sable'],
  ...[
    'Santoro',
    'Selwyn',
    'Soto',
    'Thackray',
    'Tran',
    'Underhill',
    'Vainio',
    'Valdez',
    'Wexcombe',
    'Yilmaz',
    'Zielinski',
  ],
] as const;

export interface Street {
  readonly name: string;
  readonly postcode: string;
  readonly latitude: number;
  readonly longitude: number;
}

/** Of the town, some minutes from the salon. */
export const STREETS: readonly Street[] = [
  { name: 'Slip Row', postcode: 'TM1 2AB', latitude: 50.3312, longitude: -4.1187 },
  { name: 'Quay Street', postcode: 'TM1 1AA', latitude: 50.3305, longitude: -4.1201 },
  { name: 'Boathouse Lane', postcode: 'TM1 5QH', latitude: 50.3298, longitude: -4.1223 },
  { name: 'Withy Close', postcode: 'TM2 3CD', latitude: 50.3349, longitude: -4.131 },
  { name: 'Chalk Hill', postcode: 'TM2 8GH', latitude: 50.3388, longitude: -4.1405 },
  { name: 'Saltpan Road', postcode: 'TM3 6EF', latitude: 50.3402, longitude: -4.1099 },
  { name: 'Ropewalk', postcode: 'TM1 4JK', latitude: 50.3321, longitude: -4.1152 },
  { name: 'Netmakers Yard', postcode: 'TM1 3LM', latitude: 50.3316, longitude: -4.1243 },
  { name: 'Orchard Rise', postcode: 'TM2 6NP', latitude: 50.3367, longitude: -4.1268 },
  { name: 'Lantern Street', postcode: 'TM3 1QR', latitude: 50.3358, longitude: -4.1131 },
];

/** Farms and islets that the van goes to. */
export const OUTLYING: readonly Street[] = [
  { name: 'Causeway Farm', postcode: 'TM5 1AA', latitude: 50.3722, longitude: -4.0935 },
  { name: 'Gull Rock', postcode: 'TM5 4CD', latitude: 50.3655, longitude: -4.1402 },
  { name: 'Reed Bank', postcode: 'TM4 7RC', latitude: 50.3598, longitude: -4.1655 },
  { name: 'Upper Chalk', postcode: 'TM2 9JK', latitude: 50.3441, longitude: -4.1512 },
  { name: 'Islet Ferry', postcode: 'TM5 2BB', latitude: 50.3781, longitude: -4.1188 },
  { name: 'Samphire Flats', postcode: 'TM4 2ST', latitude: 50.3516, longitude: -4.1744 },
];

/** Some notes of a counter, and marks of dogs. */
export const NOTES = ['', '', '', '', '', 'Rings back after six.', 'Parks at the slip.', 'Pays by card.'] as const;
export const MARKS = [
  'Own towel',
  'Treats help',
  'Chills quickly',
  'Stiff hips',
  'Barks at vans',
  'Loves water',
] as const;
