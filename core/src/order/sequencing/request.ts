import * as z from 'zod';

const name = z.string().min(1).max(80);
const seconds = z.number().min(0).max(1e8);

/** One task of the table, done by one pair of hands without a break. */
export const taskSchema = z.strictObject({
  id: name,
  handsS: seconds,
  /** Which card it belongs to, where several are painted at once. */
  card: z.string().max(80).optional(),
  /** It needs the heat tool meanwhile, of which there is one. */
  heat: z.boolean().optional(),
  /** A sheet goes on a board with it, or comes off. */
  board: z.enum(['takes', 'frees']).optional(),
  /** How many copies have it, the first ones; all of them where nothing is said. */
  copies: z.int().min(1).max(500).optional(),
});
export type Task = z.infer<typeof taskSchema>;

/** What must lie between two tasks of a copy: at least and at most so long from an edge of one to the start of the other. */
export const lagSchema = z.strictObject({
  id: name.optional(),
  from: name,
  to: name,
  fromEdge: z.enum(['start', 'end']),
  minS: seconds,
  maxS: seconds.optional(),
});
export type Lag = z.infer<typeof lagSchema>;

const MOST_TASKS = 200;
const MOST_JOBS = 3000;

/** Tasks to be put in order, each done for every copy. */
export const sequenceRequestSchema = z
  .strictObject({
    tasks: z.array(taskSchema).min(1).max(MOST_TASKS),
    lags: z.array(lagSchema).max(2000),
    copies: z.int().min(1).max(500).default(1),
    hands: z.int().min(1).max(8).default(1),
    boards: z.int().min(1).max(500).optional(),
    timeLimitS: z.number().positive().max(600).default(3),
  })
  .superRefine(({ tasks, lags, copies }, context) => {
    const refuse = (path: (string | number)[], message: string): void => {
      context.addIssue({ code: 'custom', path, message });
    };
    /** Each task, and how many copies have it. */
    const seen = new Map<string, number>();
    tasks.forEach(({ id, copies: of = copies }, i) => {
      if (seen.has(id)) refuse(['tasks', i, 'id'], `“${id}” stands twice`);
      if (of > copies) refuse(['tasks', i, 'copies'], `${of} copies of ${copies}`);
      seen.set(id, of);
    });
    lags.forEach(({ from, to }, i) => {
      if (!seen.has(from)) refuse(['lags', i, 'from'], `no task “${from}”`);
      if (!seen.has(to)) refuse(['lags', i, 'to'], `no task “${to}”`);
      if (seen.get(from) !== seen.get(to))
        refuse(['lags', i], `“${from}” and “${to}” are not of the same copies`);
    });
    const boards = new Set<string>();
    tasks.forEach(({ card = '', board }, i) => {
      if (!board) return;
      if (boards.has(`${board} ${card}`)) refuse(['tasks', i, 'board'], `its card ${board} a board twice`);
      boards.add(`${board} ${card}`);
    });
    const jobs = [...seen.values()].reduce((sum, of) => sum + of, 0);
    if (jobs > MOST_JOBS) refuse(['copies'], `${jobs} tasks in all; ${MOST_JOBS} go`);
  });
export type SequenceRequest = z.infer<typeof sequenceRequestSchema>;

/** The name of a lag: its own, or what it lies between. */
export const lagName = ({ id, from, to }: Lag): string => id ?? `${from}>${to}`;

/** One task in its time. */
export interface PlacedTask {
  readonly id: string;
  /** Counted from 1. */
  readonly copy: number;
  readonly startS: number;
  readonly endS: number;
}

/** An order of all tasks; or the lags that cannot hold together. */
export interface Sequence {
  readonly feasible: boolean;
  /** End of the last task, s; `null` when none is feasible. */
  readonly makespanS: number | null;
  /** No order can end earlier than this, s. */
  readonly lowerBoundS: number;
  readonly optimal: boolean;
  readonly tasks: readonly PlacedTask[];
  /** Names of lags of which none can be left out: without any one of them an order exists. */
  readonly conflict?: readonly string[];
}
