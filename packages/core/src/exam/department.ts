/** What a department decides besides the schools of its projections: prices of moves, causes, its own exams. */
import { z } from 'zod';
import { bandEdgesSchema, defaultBands, type BandEdges } from '../exposure/actionBands';
import { exams, type Exam } from '../projections/exams';
import { hasProjection } from '../projections/catalogue';
import { doseLevelSchema, type DoseLevel } from './doseLevel';
import { defaultWayPrices, wayPricesSchema, type WayPrices } from '../adapt/wayPrices';
import { defaultPrices, pricesSchema, type Prices } from '../series/prices';

const line = (name: string) =>
  z
    .string()
    .trim()
    .min(1, { error: `${name} must not be empty` })
    .max(80, { error: `${name} may have 80 characters at most` });
const lines = (name: string) =>
  z
    .array(line(name))
    .min(1, { error: `At least one: ${name.toLowerCase()}` })
    .max(30, { error: `At most 30: ${name.toLowerCase()}` })
    .refine((list) => new Set(list).size === list.length, { error: `${name} must not be given twice` });

/** Whether a student's exam needs a colleague's name beside it: who looks on, and answers for it. */
export const SUPERVISION = ['none', 'named'] as const;
export type Supervision = (typeof SUPERVISION)[number];

const IDLE = { error: 'Minutes until a session ends must be 1 to 480' };
export const departmentSchema = z
  .strictObject({
    prices: pricesSchema,
    /** What another way of doing a projection costs. */
    wayPrices: wayPricesSchema,
    repeatCauses: lines('A cause of a repeat'),
    endReasons: lines('A reason to end an exam early'),
    /** Projections of an exam here, where they are other than the shipped ones. */
    exams: z
      .record(
        z.string(),
        z
          .array(
            z.string().refine(hasProjection, { error: (issue) => `There is no projection "${String(issue.input)}"` }),
          )
          .min(1, { error: 'An exam needs at least one projection' })
          .max(20, { error: 'An exam may have 20 projections at most' }),
      )
      .superRefine((input, context) => {
        for (const id of Object.keys(input)) {
          if (!exams.some((exam) => exam.id === id))
            context.addIssue({ code: 'custom', path: [id], message: `There is no exam "${id}"` });
        }
      }),
    /** Edges of the bands of the deviation index. */
    bands: bandEdgesSchema,
    doseLevels: z
      .array(doseLevelSchema)
      .max(400, { error: 'At most 400 dose levels' })
      .refine((list) => new Set(list.map((level) => `${level.projectionId} ${level.fromYears}`)).size === list.length, {
        error: 'One dose level for a projection and an age',
      }),
    supervision: z.enum(SUPERVISION, { error: `Supervision must be ${SUPERVISION.join(' or ')}` }),
    idleMinutes: z.number(IDLE).int(IDLE).min(1, IDLE).max(480, IDLE),
  })
  .partial();

export type Department = {
  prices: Prices;
  wayPrices: WayPrices;
  repeatCauses: string[];
  endReasons: string[];
  exams: Record<string, string[]>;
  bands: BandEdges;
  doseLevels: DoseLevel[];
  supervision: Supervision;
  idleMinutes: number;
};

export const defaultDepartment: Department = {
  prices: defaultPrices,
  wayPrices: defaultWayPrices,
  repeatCauses: [
    'Clipped',
    'Rotated',
    'Angle or centring',
    'Moved or breathed',
    'Too little exposure',
    'Too much exposure',
    'Something metal left on',
    'Wrong side or marker',
    'Receptor or equipment',
  ],
  endReasons: [
    'Patient could not go on',
    'Patient refused',
    'Order withdrawn',
    'Equipment failed',
    'Pregnancy possible',
  ],
  exams: {},
  bands: defaultBands,
  // None is shipped: levels are national or local, and found by measuring.
  doseLevels: [],
  // How students are supervised is for the department, its school and its law to say.
  supervision: 'none',
  idleMinutes: 20,
};

export type DepartmentInput = z.infer<typeof departmentSchema>;
export const withDepartmentDefaults = (input: DepartmentInput = {}): Department => ({
  ...defaultDepartment,
  ...input,
  prices: { ...defaultPrices, ...input.prices },
  wayPrices: { ...defaultWayPrices, ...input.wayPrices },
});

/** Exams as this department does them. */
export const examsOf = (department: Pick<Department, 'exams'>): Exam[] =>
  exams.map((exam) => ({ ...exam, projections: department.exams[exam.id] ?? exam.projections }));
