import { interiorPoint } from '../../kit/geometry';
import { paintedOf, type Command, type Plan } from '../../document/plan';
import { placedLine, placedOutline, type Area, type Placing } from '../../drawing/sketch';
import { regionAt } from './fill';

/**
 * What places pencil lines anew. An area whose lines all go is placed with them; one of which only some go is filled
 * anew, and stays as it is where the lines no longer enclose it.
 */
export function placeLines(plan: Plan, ids: readonly string[], placing: Placing): Command[] {
  const picked = new Set(ids);
  const lines = plan.lines.map((line) =>
    picked.has(line.id) ? { ...line, points: placedLine(placing, line.points) } : line,
  );
  const followed = plan.areas.flatMap((area): Command[] => {
    if (!area.lines?.some((line) => picked.has(line))) return [];
    const outline = area.lines.every((line) => picked.has(line))
      ? placedOutline(placing, area.outline)
      : regionAt(lines, interiorPoint(area.outline), paintedOf(plan).panel);
    return outline ? [{ do: 'reshape-area', area: area.id, outline }] : [];
  });
  return [{ do: 'redraw-lines', gone: [], lines: lines.filter(({ id }) => picked.has(id)) }, ...followed];
}

/** What draws pencil lines a second time, placed, with the areas they enclose. */
export function copyLines(
  plan: Plan,
  ids: readonly string[],
  placing: Placing,
  newId: () => string,
): Command[] {
  const copies = new Map(ids.map((id) => [id, newId()]));
  const lines = plan.lines
    .filter(({ id }) => copies.has(id))
    .map((line) => ({ ...line, id: copies.get(line.id)!, points: placedLine(placing, line.points) }));
  const enclosed = (area: Area): boolean =>
    area.lines !== undefined && area.lines.length > 0 && area.lines.every((line) => copies.has(line));
  return [
    { do: 'redraw-lines', gone: [], lines },
    ...plan.areas.filter(enclosed).map((area): Command => ({
      do: 'add-area',
      area: {
        id: newId(),
        name: `${area.name.slice(0, 50)}, again`,
        outline: placedOutline(placing, area.outline),
        lines: area.lines!.map((line) => copies.get(line)!),
      },
    })),
  ];
}
