import { describe, expect, it } from 'vitest';
import { rectangle } from '../../kit/geometry';
import { addPass, applyCommands, newPass, smallPlan, type Pass, type Plan } from '../../document/plan';
import { layOut, reachedAt, washAt } from '../../order/schedule';
import { checkAllVariants, runChecks, type CheckContext, type Finding } from '.';
import { DESK, intoSky, mixFrom, washedSky, washOn } from './edge-plans';

/** What one check finds in a plan. */
const of = (id: string, plan: Plan, desk?: CheckContext['desk']): Finding[] =>
  runChecks(plan, layOut(plan), desk).filter((finding) => finding.id === id);

const wash = washOn(washedSky());
const { laidS } = wash;
const dampS = reachedAt(wash, 'damp')! - laidS;

describe('what a check finds', () => {
  it('opposites that meet wet make a grey', () => {
    const meet = (start: Pass['start']): Plan =>
      smallPlan(
        mixFrom('warm', ['PO48'], { strength: 0.5 }),
        mixFrom('cold', ['PB28'], { strength: 0.3 }),
        addPass('wash', 'sky', 'warm'),
        addPass('boat', 'boat', 'cold', { start }),
      );
    expect([
      ...of('complements-meet', meet('straight-on')),
      ...of('third-colour', meet('straight-on')),
    ]).toHaveLength(1);
    expect(of('complements-meet', meet('when-dry'))).toEqual([]);
  });

  it('opposites of one pass make a grey where they meet, and one mix alone does not', () => {
    const laid = (also: Pass['also']): Plan =>
      smallPlan(
        mixFrom('warm', ['PO48'], { strength: 0.5 }),
        mixFrom('cold', ['PB28'], { strength: 0.3 }),
        addPass('wash', 'sky', 'warm', { also }),
      );
    const both = laid([{ mix: 'cold', lies: 'below', share: 0.3 }]);
    const [finding] = [...of('complements-meet', both), ...of('third-colour', both)];
    expect(finding).toMatchObject({ severity: 'note', where: { pass: 'wash' } });
    const mended = applyCommands(both, finding.fix!.commands).plan;
    for (const plan of [laid([]), mended])
      expect([...of('complements-meet', plan), ...of('third-colour', plan)]).toEqual([]);
  });

  it('copies painted otherwise are looked at too, and what goes wrong with them alone is mended by painting all alike', () => {
    const wet = smallPlan(
      addPass('wet', 'sky', null, { technique: 'pre-wet', start: 'straight-on' }),
      addPass('float', 'sky', 'blue', { technique: 'wet-in-wet', start: 'straight-on' }),
    );
    const late = (plan: Plan) =>
      checkAllVariants(plan, layOut(plan)).filter(({ id }) => id === 'charge-too-late');
    const varied = applyCommands(wet, [
      {
        do: 'vary',
        variant: {
          ...{ id: 'dry', name: 'on dry paper', copies: 1 },
          changes: [{ do: 'leave-out', pass: 'wet' }],
        },
      },
    ]).plan;
    expect(late(wet)).toEqual([]);
    const [finding] = late(varied);
    expect(finding.why).toMatch(/^Of those painted “on dry paper”: /);
    expect(late(applyCommands(varied, [...finding.fix!.commands]).plan)).toEqual([]);
    const accepted = applyCommands(varied, [
      { do: 'accept-finding', finding: finding.key, reason: 'they are to be hard-edged' },
    ]).plan;
    expect(late(accepted)).toEqual([]);
  });

  it('no mix is made weaker than a fiftieth, however deep it lies', () => {
    const weakened = (filmUm: number): number | null => {
      const plan = smallPlan(
        mixFrom('deep', ['PB60'], { strength: 0.9 }),
        addPass('sky', 'sky', 'dark', { filmUm }),
        addPass('field', 'field', 'deep', { filmUm }),
      );
      const command = of('one-value', plan)[0].fix?.commands[0];
      return command?.do === 'put-mix' ? command.mix.strength : null;
    };
    expect(weakened(1110)).toBeCloseTo(0.021, 3);
    expect(weakened(1240)).toBeNull();
  });

  it('what floats wants something wet, and its fix wets it first', () => {
    const plan = smallPlan(
      addPass('float', 'sky', 'blue', { technique: 'wet-in-wet', start: 'straight-on' }),
    );
    const [finding] = of('charge-too-late', plan);
    expect(finding.number.value).toBeNull();
    const mended = applyCommands(plan, finding.fix!.commands).plan;
    expect(of('charge-too-late', mended)).toEqual([]);
  });

  it('a card is too thick for the post of the house, and may leave something out', () => {
    const desk = DESK;
    const foamed = (foamMm: number): Plan =>
      applyCommands(smallPlan(), [{ do: 'set-format', change: { panelRevealMm: 6, foamMm } }]).plan;
    const [finding] = of('too-thick', foamed(2), desk);
    expect(finding.number.value).toBeGreaterThan(DESK.letter.thicknessMm);
    expect(of('too-thick', applyCommands(foamed(2), finding.fix!.commands).plan, desk)).toEqual([]);
    expect(of('too-thick', foamed(1), desk)).toEqual([]);
    expect(of('too-thick', foamed(2), { ...desk, letter: { weightG: 60, thicknessMm: 5 } })).toEqual([]);
    const heavy = of('too-thick', foamed(1), { ...desk, letter: { weightG: 5, thicknessMm: 5 } });
    expect(heavy[0].number.unit).toBe('g');
  });

  it('colour crosses a gap on wet paper, and none to speak of once that is only damp', () => {
    const beside = (gapMm: number, atS: number): Plan =>
      smallPlan(
        { do: 'add-area', area: { id: 'strip', name: 'strip', outline: rectangle(0, 50 + gapMm, 148, 6) } },
        addPass('wash', 'sky', 'blue'),
        addPass('strip', 'strip', 'lemon', { start: { atS } }),
      );
    const laid = layOut(beside(1, 0)).washes.find(({ act }) => act === 'wash')!;
    const bleeds = (gapMm: number, afterS: number): boolean =>
      of('bleed-into-wet', beside(gapMm, laid.laidS + afterS)).length > 0;
    const coolS = reachedAt(laid, 'cool')! - laid.laidS;
    expect([bleeds(1, 60), bleeds(1, coolS + 30), bleeds(2, 60)]).toEqual([true, false, false]);
    expect([bleeds(0.49, coolS + 30), bleeds(0.51, coolS + 30)]).toEqual([true, false]);
    // Once no film is left, paper carries colour over a gap while it holds 60 g/m².
    const holds = (gm2: number): number => {
      let afterS = 0;
      while (washAt(laid, laid.laidS + afterS).filmUm > 0 || washAt(laid, laid.laidS + afterS).paperGm2 > gm2)
        afterS++;
      return afterS;
    };
    expect([bleeds(1, holds(61)), bleeds(1, holds(59))]).toEqual([true, false]);
  });

  it('a date is missed when the evenings run out, and only where there are evenings', () => {
    const plan = applyCommands(smallPlan(addPass('wash', 'sky', 'blue')), [
      { do: 'set-brief', change: { needBy: '2026-03-06', postingDays: 2, copies: 12 } },
    ]).plan;
    const desk = DESK;
    expect(of('date-missed', plan, desk)).toHaveLength(1);
    expect(of('date-missed', plan, { ...desk, evenings: [] })).toEqual([]);
    const later = applyCommands(plan, [{ do: 'set-brief', change: { needBy: '2027-03-06' } }]).plan;
    expect(of('date-missed', later, desk)).toEqual([]);
  });
});

describe('rules of the house', () => {
  const bloom = intoSky('charge', dampS + 5, { filmUm: 200 });

  it('a welcome bloom is a note', () => {
    expect(of('backrun-risk', bloom)[0].severity).toBe('look');
    const welcome = applyCommands(bloom, [{ do: 'set-rules', change: { backruns: 'welcome' } }]).plan;
    expect(of('backrun-risk', welcome)[0].severity).toBe('note');
  });

  it('a check weighs what the house says, or is not made', () => {
    const weighed = (weight: 'stop' | 'off'): Plan =>
      applyCommands(bloom, [{ do: 'set-rules', change: { weights: { 'backrun-risk': weight } } }]).plan;
    expect(of('backrun-risk', weighed('stop'))[0].severity).toBe('stop');
    expect(of('backrun-risk', weighed('off'))).toEqual([]);
  });
});

it('a pass begins as what it touches comes to a stage', () => {
  const plan = smallPlan(addPass('wash', 'sky', 'blue'), {
    do: 'add-act',
    before: 'untape',
    act: newPass({ id: 'drop', areas: ['sky'], technique: 'charge', mix: 'dark', start: { stage: 'satin' } }),
  });
  const step = layOut(plan).steps.find(({ act }) => act.id === 'drop')!;
  expect(step.startS - laidS).toBeCloseTo(reachedAt(wash, 'satin')! - laidS, 6);
});
