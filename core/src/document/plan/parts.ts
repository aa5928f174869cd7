import { nameOf } from './lookup';
import type { Plan } from './plan';
import type { Thing } from './thing';

/** What is one to the eye: a thing, or an area or freehand mask by itself. */
export interface Part {
  /** Of the thing, or of what stands by itself. */
  readonly id: string;
  readonly name: string;
  /** The areas and freehand masks of it that are spoken of. */
  readonly members: readonly string[];
}

/** The thing an area, line or freehand mask belongs to. */
export const thingOf = ({ things }: Pick<Plan, 'things'>, member: string): Thing | undefined =>
  things.find(({ members }) => members.includes(member));

type Named = Pick<Plan, 'things' | 'areas' | 'resists'>;

/** Areas and freehand masks as one would list them: what belongs together once, where the first of it stands. */
export function asParts(plan: Named, ids: readonly string[]): Part[] {
  const listed = new Set(ids);
  const parts = new Map<string, Part>();
  for (const one of listed) {
    const thing = thingOf(plan, one);
    const members = thing ? thing.members.filter((member) => listed.has(member)) : [one];
    const part =
      thing && members.length > 1
        ? { id: thing.id, name: nameOfSome(plan, thing, members.length), members }
        : { id: one, name: nameOf(plan, one), members: [one] };
    parts.set(part.id, part);
  }
  return [...parts.values()];
}

/** What an area or freehand mask is spoken of by: the thing it belongs to, or its own name. */
export const partName = (plan: Named, member: string): string =>
  thingOf(plan, member)?.name ?? nameOf(plan, member);

/** A thing by its name, and how much of it is spoken of where that is not all. */
function nameOfSome({ areas, resists }: Named, { name, members }: Thing, some: number): string {
  const all = members.filter((member) => [...areas, ...resists].some((entry) => entry.id === member)).length;
  return some < all ? `${name}, ${some} of ${all}` : name;
}

/** Puts areas, lines or freehand masks together; they leave what they belonged to. Changes a draft. */
export function gather(plan: Pick<Plan, 'things'>, thing: Thing): void {
  singleOut(plan, thing.members);
  const members = [...new Set(thing.members)];
  const others = plan.things.filter(({ id }) => id !== thing.id);
  plan.things = members.length < 2 ? others : [...others, { ...thing, members }];
}

/** Takes members out of their things; what one is left of is none any more. Changes a draft. */
export function singleOut(plan: Pick<Plan, 'things'>, members: readonly string[]): void {
  const gone = new Set(members);
  plan.things = plan.things.flatMap((thing): Thing[] => {
    const left = thing.members.filter((member) => !gone.has(member));
    if (left.length === thing.members.length) return [thing];
    return left.length < 2 ? [] : [{ ...thing, members: left }];
  });
}

/** What is rubbed out belongs to nothing any more. Changes a draft. */
export function keepThings(plan: Pick<Plan, 'things' | 'areas' | 'lines' | 'resists'>): void {
  // Every stroke is a command: lists are gone through only where something belongs together.
  if (plan.things.length === 0) return;
  const there = new Set([...plan.areas, ...plan.lines, ...plan.resists].map((entry) => entry.id));
  const gone = plan.things.flatMap(({ members }) => members.filter((member) => !there.has(member)));
  if (gone.length > 0) singleOut(plan, gone);
}
