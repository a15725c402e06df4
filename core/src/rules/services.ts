import { HOUSE_VALUE } from '../provenance';
import { all, fact } from './conditions';
import { holdsOn } from '../dog';
import type { RuleCondition, Rule } from './rule';
import type { BusinessDoes, ServiceKey } from '../ways';
import { bar, caution, method, rowsOf } from './row';

const does = (service: ServiceKey, what: BusinessDoes): RuleCondition =>
  fact(`${service}: ${what}`, ({ services }) => services[service] === what);

const prescribed = fact("a vet's wash", ({ instructions, today }) =>
  instructions.some((each) => each.by === 'vet' && each.says.kind === 'bath product' && holdsOn(each, today)),
);

const ears = rowsOf('ear cleaning', 'law', HOUSE_VALUE);
const teeth = rowsOf('teeth', 'law', HOUSE_VALUE);
const BY_CHOICE = 'what this business does, by place and law';

/** What this business does at all. Hair in the ear has lines of its own. */
export const SERVICE_RULES: readonly Rule[] = [
  ears(
    'outside only',
    does('ear cleaning', 'outside only'),
    BY_CHOICE,
    method('Outside only: the flap wiped with a damp pad, nothing poured.'),
  ),
  ears(
    'left to vets',
    does('ear cleaning', 'vet'),
    BY_CHOICE,
    bar('Ears are looked at here, not cleaned: a vet cleans them.'),
  ),
  teeth('outside only', does('teeth', 'outside only'), BY_CHOICE, method('Outer sides and front teeth.')),
  teeth('not here', all(does('teeth', 'vet'), does('tooth gel', 'vet')), BY_CHOICE, bar('Teeth are not done here.')),
  teeth(
    'gel only',
    all(does('teeth', 'vet'), does('tooth gel', 'done')),
    BY_CHOICE,
    method('Gel only: no brush here.'),
  ),
  teeth('no gel', does('tooth gel', 'vet'), BY_CHOICE, caution('No tooth gel here.')),
  rowsOf('nails', 'law', HOUSE_VALUE)(
    'curled dewclaw',
    does('grown-in dewclaw', 'vet'),
    BY_CHOICE,
    caution('A dewclaw curled against the skin is left to a vet here.'),
  ),
  rowsOf('mats', 'law', HOUSE_VALUE)(
    'shave-down',
    does('shave-down', 'vet'),
    BY_CHOICE,
    caution('Matted to the skin: not shaved here, but by a vet.'),
  ),
  rowsOf('bath', 'law', HOUSE_VALUE)(
    'medicated baths',
    all(does('vet’s wash', 'vet'), prescribed),
    BY_CHOICE,
    bar('Medicated baths are not given here: at the vet’s.'),
  ),
];
