import type { Meanwhile } from '../findings';

/** What an owner does at a place until it is clear or a vet has looked, and why, in one breath. */
export const MEANWHILE_WORDS: Readonly<Record<Meanwhile, string>> = {
  'ear left alone':
    '{places}: until a vet has looked, put nothing in but what your vet gave. No cleaner, no cotton buds, no water: a vet must see what is there. Ask the vet which cleaner to use later.',
  'ear in peace':
    '{places}: leave it in peace for some days, without cleaner or cotton buds. Rubbing makes it worse. If it smells more or your dog scratches it, call us.',
  'ear dried': '{places}: dry it with a soft cloth after a swim or a bath. Damp ears get dirty soon.',
  'no cotton buds': '{places}: no cotton buds. They push wax deeper.',
  'eye left alone':
    '{places}: until a vet has looked, only plain water around the eye, and what your vet gave. Do not let your dog rub it.',
  'face dried':
    '{places}: wipe the hair with a damp pad and dry it every day, two or three times where it stays wet. Wet hair stains and makes skin sore. No stain remover near an eye.',
  'crust softened': '{places}: soften crust with plain water, and wait. Picked dry, it takes hair and skin with it.',
  'fold left alone': '{places}: until a vet has looked, only pat it dry. No balm, no powder, nothing with scent.',
  'fold dried': '{places}: wipe and dry it every day until it is pale again. Damp makes it red. No balm on red skin.',
  'no balm in cracks': '{places}: no balm on cracks or sore skin. Ask your vet what may go on.',
  'bed washed':
    'Wash the bed and the covers hot this week: young fleas live there, not on the dog. Ask your vet what to use on all pets at home.',
  'looked over after walks': 'Look your dog over after walks in long grass. Ask your vet how to take a tick out.',
  'skin apart':
    '{places}: do not let your dog lick it. Until a vet has looked, wash your hands after you touch it, and keep its bed and towels apart.',
  'skin watched': '{places}: look once a week in good light. If it spreads or itches, call us.',
  'lump not pressed': '{places}: do not press it. Feel once a week if it grows: the vet will ask you.',
  'kept dry': '{places}: keep it dry, and do not let your dog lick it.',
  'toes dried': '{places}: rinse with plain water after walks and dry between the toes. Licked feet stay wet and red.',
  'pads saved': '{places}: no hot, salted or rough ground until it is whole. Rinse salt off after walks.',
  'nail saved': '{places}: soft ground, and no licking, until it is whole. A caught nail tears further.',
  'soft food': 'Soft food and nothing hard to chew until a vet has looked. Do not brush where it hurts.',
  'teeth looked at': 'Ask your vet to look at the teeth. Brush once a day when nothing is sore.',
  'not pressed': '{places}: do not press the swelling. Keep it clean with plain water.',
  'combed to the skin':
    '{places}: comb down to the skin every two days. Mats begin where the comb does not reach. No scissors and no water on a mat.',
  'leg rested': 'Short walks on a lead for two days, no stairs, no jumping. If it still limps then, let a vet look.',
};
