import { by, houseLine, methodCard, type MethodSource } from './card';

/** What is done on a dry dog. docs/trade.md: folds, teeth. */
export const AFTER_THE_BATH: readonly MethodSource[] = [
  methodCard('folds', 'Folds and nose', {
    tasks: ['fold care', 'nose balm'],
    drawings: ['fold section'],
    needs: [
      by('foldWipe', {
        cloth: 'a soft cloth in warm water',
        'pet wipe': 'dog wipes',
        'plain wipe': 'plain unscented wipes',
      }),
      'a soft dry cloth',
      by('foldProtect', { balm: 'a lick-safe barrier balm', powder: 'powder' }),
    ],
    steps: [
      'Lift the fold; wipe against the lie of the hair, again until it comes out clean.',
      'Product wiped off after. Dry with a soft cloth, gently.',
      by('foldProtect', {
        balm: 'A thin barrier balm, on dry skin that is not red.',
        powder: 'Powder, sparingly, away from eye and nostril.',
      }),
      'The nose pad: balm if dry and scaly, warmed on the fingertip.',
      'Each side by itself: one is often worse.',
    ],
    never: [
      'Nothing greasy on red skin.',
      'Lick-safe only: no zinc, tea-tree, xylitol.',
      'No stain remover in a fold without a vet.',
    ],
    stops: [
      'Flinching, swelling or coloured discharge: nothing in, a vet.',
      'Raw, bleeding or painful: nothing there, a vet within a day or two.',
    ],
    enough: 'Clean, and dry to the floor of the fold.',
  }),
  methodCard('teeth', 'Teeth', {
    tasks: ['teeth'],
    drawings: ['teeth'],
    needs: [
      by('teeth', {
        gel: 'a gel made to be swallowed',
        brush: 'a paste made to be swallowed',
        'at home only': 'a paste made to be swallowed',
      }),
      by('teeth', { brush: 'a soft brush or a finger brush', 'at home only': 'a soft brush or a finger brush' }),
    ],
    steps: [
      by('teeth', {
        brush: 'If agreed. A taste first.',
        gel: 'If agreed. A taste first.',
        'at home only': 'At home only: shown to the owner. A taste first.',
      }),
      by('teeth', {
        brush: 'Lip lifted, front teeth first, outer sides, small circles.',
        'at home only': 'Lip lifted, front teeth first, outer sides, small circles.',
        gel: 'Lip lifted, a little along the gum, front teeth first.',
      }),
      'Seconds at first, more another day.',
    ],
    never: ['Never human paste.', houseLine('No chewing on big raw bones: broken teeth, germs.')],
    stops: ['A broken tooth, a sore mouth: nothing there, a vet.'],
    enough: 'It ends while the dog still likes the paste.',
  }),
];
