import { weekTrouble, type PlacesOfSalon, type PlanCosts, type WeekHours } from '@dewpond/core/bookings';
import { z } from 'zod';
import { daySchema, id, line, newId, version } from './basics';

const span = z.object({ from: z.int(), to: z.int(), where: z.string().max(60) });
export const week: z.ZodType<WeekHours, WeekHours> = z.array(z.array(span).max(6)).superRefine((each, context) => {
  const trouble = weekTrouble(each);
  if (trouble) context.addIssue({ code: 'custom', message: trouble });
});

export const awayView = z.object({
  id,
  version,
  memberId: id.nullable(),
  memberName: z.string().nullable(),
  branchId: id.nullable(),
  branchName: z.string().nullable(),
  from: daySchema,
  to: daySchema,
  name: z.string(),
});
export type AwayView = z.infer<typeof awayView>;
const awayFields = {
  /** Null: the business is closed, or one of its branches. */
  memberId: id.nullable(),
  /** Which branch is closed; null: all of them. */
  branchId: id.nullable().default(null),
  from: daySchema,
  to: daySchema,
  name: line(80, 'Why'),
};
const inOrder = ({ from, to }: { readonly from: string; readonly to: string }) => from <= to;
const OUT_OF_ORDER = { error: 'It ends before it begins.', path: ['to'] };
export const newAway = z
  .strictObject({ id: newId, ...awayFields })
  .refine(inOrder, OUT_OF_ORDER)
  .refine(({ memberId, branchId }) => memberId === null || branchId === null, {
    error: 'A person is away wherever they work.',
    path: ['branchId'],
  });

/** Several at once, as they stand in a calendar. */
export const newAbsences = z.strictObject({
  absences: z
    .array(newAway)
    .min(1)
    .max(500, { error: 'At most 500 at once.' })
    .refine((all) => new Set(all.map((each) => each.id)).size === all.length, { error: 'The same id twice.' }),
});

const howMany = (least: number, most: number) =>
  z
    .int({ error: 'A whole number.' })
    .min(least, { error: `At least ${least}.` })
    .max(most, { error: `At most ${most}.` });
const weight = z
  .number()
  .min(0, { error: 'A weight is not below nothing.' })
  .max(100, { error: 'A weight is at most 100.' });

/** What the salon has. */
export const placesOfSalon: z.ZodType<PlacesOfSalon, PlacesOfSalon> = z.strictObject({
  tables: howMany(1, 20),
  tubs: howMany(1, 20),
  dryers: howMany(1, 20),
  crates: howMany(0, 60),
});
/** What planning weighs against each other. */
export const planCosts: z.ZodType<PlanCosts, PlanCosts> = z.strictObject({
  late: weight,
  early: weight,
  trip: weight,
  wish: weight,
  moved: weight,
  otherPerson: weight,
  drive: weight,
  uneven: weight,
});
export const planningEdit = z.strictObject({ version, places: placesOfSalon, costs: planCosts });

/** When people work, what the salon has, what planning weighs, who is away. */
export const hoursView = z.object({
  places: placesOfSalon,
  costs: planCosts,
  /** When owners are reminded of tomorrow by themselves, min from midnight; null: nobody is. */
  remindsAt: z.int().nullable(),
  /** Guards an edit of these. */
  version,
  people: z.array(z.object({ id, name: z.string(), week, isUsual: z.boolean(), skills: z.array(z.string()) })),
  away: z.array(awayView),
  mayEdit: z.boolean(),
});
export type HoursView = z.infer<typeof hoursView>;
export const weekEdit = z.strictObject({ week });
