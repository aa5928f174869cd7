import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import {
  asParts,
  firstFinishing,
  newPass,
  TECHNIQUES,
  techniqueOf,
  WATER_WORDS,
  waterWord,
  type Part,
  type Pass,
} from '@kettle/core/document/plan';
import { formatClock } from '@kettle/core/kit/units';
import { PanelPictureView } from '../../panel/panel-picture.component';
import { pictureHref } from '../../panel/picture-href';
import { panelDrawing } from '../../panel/panel.view';
import { LookAheadService } from '../../state/look-ahead.service';
import { PaintingService } from '../../state/painting.service';
import { PlanStore } from '../../state/plan-store';
import { RehearsalService } from '../../state/rehearsal.service';
import { byAndBy } from '../../ui/by-and-by';
import { Choice } from '../../ui/choice.component';
import { Findings } from '../../ui/findings.component';
import { Swatch } from '../../ui/swatch.component';
import { TideLine } from '../../ui/tide-line.component';
import { BatchView } from './batch.component';
import { DriftLine, type PegMove } from './drift-line.component';
import { OrderView } from './order.component';
import { ProposalView } from './proposal.component';
import { startChoices, startFrom, startId, type StartId } from './start.view';
import { WhatIfPanel } from './what-if.component';
import { Painting } from './painting/painting.component';
import { OtherMixes } from './other-mixes.component';
import { Shields } from './shields.component';
import { Spares } from './spares.component';
import {
  adviceOf,
  findingsOfWhole,
  momentInWords,
  passesInShort,
  passNotes,
  rehearsalInWords,
  shownMoment,
} from './passes.view';

/** What may stand in the panel’s place; pressed again, the panel comes back. */
const OTHERS = [
  { id: 'several', name: 'Several at once' },
  { id: 'what-if', name: 'What if' },
] as const;

/** The order of acts in time: the panel at a moment, the acts as notes, and the drift line. */
@Component({
  selector: 'kd-passes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    FormsModule,
    BatchView,
    Button,
    Select,
    Choice,
    OrderView,
    OtherMixes,
    Painting,
    PanelPictureView,
    Shields,
    Spares,
    Swatch,
    TideLine,
    DriftLine,
    WhatIfPanel,
    Findings,
    ProposalView,
  ],
  templateUrl: './passes.component.html',
  styleUrl: './passes.component.scss',
})
export class PassesStation {
  private readonly store = inject(PlanStore);
  private readonly lookAhead = inject(LookAheadService);
  private readonly rehearsals = inject(RehearsalService);
  readonly painting = inject(PaintingService);
  readonly plan = this.store.plan;
  readonly ahead = this.lookAhead.ahead;
  readonly techniques = [...TECHNIQUES];
  readonly waters = [...WATER_WORDS];
  readonly startsOf = startChoices;
  readonly startOf = startId;
  readonly spreads: readonly { readonly id: number; readonly name: string }[] = [
    { id: 1, name: 'all of it' },
    { id: 0.6, name: 'broken, the paper shows between' },
    { id: 0.3, name: 'a dense shower of drops' },
    { id: 0.12, name: 'a shower of drops' },
    { id: 0.04, name: 'a few drops' },
  ];
  readonly advice = adviceOf;

  readonly atS = signal(0);
  readonly picked = signal<string | null>(null);
  /** What stands where the panel does. */
  readonly shows = signal<'panel' | 'several' | 'what-if'>('panel');
  readonly OTHERS = OTHERS;
  private readonly cursorMoved = signal(false);
  /** Until the cursor is moved it stands where there is most to see: just after the last wash. */
  readonly momentS = computed(() => (this.cursorMoved() ? this.atS() : this.firstLook()));
  readonly clock = computed(() => formatClock(this.momentS()));
  readonly notes = computed(() => (this.plan() ? passNotes(this.plan()!, this.ahead()) : []));
  /** A card may have sixty of them. */
  readonly drawnNotes = byAndBy(this.notes);
  readonly wholeFindings = computed(() => findingsOfWhole(this.notes(), this.ahead()));
  /** Checks this house does not make. */
  readonly unheeded = computed(() => this.ahead()?.unheeded ?? []);
  readonly short = computed(() => passesInShort(this.notes(), this.ahead()));
  readonly drawing = computed(() =>
    this.plan() ? panelDrawing(this.plan()!, this.ahead(), this.momentS()) : null,
  );
  readonly simulates = this.rehearsals.wanted.asReadonly();
  readonly shown = computed(() => shownMoment(this.rehearsals.rehearsal(), this.momentS()));
  readonly painted = computed(() => (this.shown() ? pictureHref(this.shown()!) : null));
  readonly simulation = computed(() =>
    this.simulates() ? rehearsalInWords(this.rehearsals.rehearsal(), this.shown()) : '',
  );
  readonly moment = computed(() =>
    this.plan() && this.ahead() ? momentInWords(this.plan()!, this.ahead()!, this.momentS()) : '',
  );
  /** What a pass can be laid on. */
  readonly parts = computed(() => {
    const plan = this.plan();
    return plan
      ? asParts(
          plan,
          plan.areas.map(({ id }) => id),
        )
      : [];
  });
  readonly mixes = computed(() => [{ id: null, name: 'clear water' }, ...(this.plan()?.mixes ?? [])]);

  private readonly firstLook = computed(() => {
    const washes = this.ahead()?.timeline.washes ?? [];
    return washes.length === 0 ? 0 : Math.round(Math.max(...washes.map((w) => w.laidS)) + 60);
  });

  look(atS: number): void {
    this.atS.set(atS);
    this.cursorMoved.set(true);
  }

  simulate(wanted: boolean): void {
    this.rehearsals.wanted.set(wanted);
  }

  /** The last sheet is laid on the table again; the first time, a bare one. */
  paintByHand(): void {
    const last = this.plan()?.trials.at(-1);
    void (last ? this.painting.lay(last.id) : this.painting.beginSheet());
  }

  pick(id: string): void {
    this.picked.set(this.picked() === id ? null : id);
  }

  begin(pass: Pass, id: StartId): void {
    if (id !== 'at') this.change(pass, { start: startFrom(id) });
  }

  /** Begins a pass so much later than it would, or sooner. */
  nudge(pass: Pass, byS: number): void {
    const step = this.ahead()?.timeline.steps.find(({ act }) => act.id === pass.id);
    if (step) this.change(pass, { start: { atS: Math.max(0, Math.round(step.startS + byS)) } });
  }

  movePeg({ pass, start, atS }: PegMove): void {
    this.store.do({ do: 'change-pass', pass, change: { start } });
    this.look(Math.round(atS));
  }

  waterOf(pass: Pass): number {
    return WATER_WORDS.find(({ word }) => word === waterWord(pass.filmUm))!.filmUm;
  }

  /** The nearest of the spreads there are to choose from. */
  spreadOf({ covers }: Pass): number {
    const off = (id: number): number => Math.abs(Math.log(id / covers));
    return this.spreads.reduce((a, b) => (off(b.id) < off(a.id) ? b : a)).id;
  }

  change(pass: Pass, change: Partial<Omit<Pass, 'kind' | 'id'>>): void {
    this.store.do({ do: 'change-pass', pass: pass.id, change });
  }

  lay(pass: Pass, mix: string | null): void {
    this.change(pass, laying(pass, mix));
  }

  changeTechnique(pass: Pass, technique: string): void {
    const mix = techniqueOf(technique).pigment ? (pass.mix ?? this.firstMix()) : null;
    const { filmUm, covers, start } = newPass({ id: pass.id, areas: pass.areas, technique, mix });
    this.change(pass, { technique, filmUm, covers, start, ...laying(pass, mix) });
  }

  /** Whether a pass paints all of a thing. */
  names({ areas }: Pass, { members }: Part): boolean {
    return members.every((member) => areas.includes(member));
  }

  toggle(pass: Pass, part: Part): void {
    const others = pass.areas.filter((area) => !part.members.includes(area));
    this.change(pass, { areas: this.names(pass, part) ? others : [...others, ...part.members] });
  }

  add(): void {
    const plan = this.plan()!;
    const id = `pass-${crypto.randomUUID().slice(0, 8)}`;
    const isOpen = ({ members }: Part): boolean =>
      !plan.acts.some((act) => act.areas.some((area) => members.includes(area)));
    const part = this.parts().find(isOpen) ?? this.parts()[0];
    this.store.do({
      do: 'add-act',
      before: plan.acts[firstFinishing(plan)]?.id ?? null,
      act: newPass({ id, areas: [...part.members], technique: 'flat-wash', mix: this.firstMix() }),
    });
    this.picked.set(id);
  }

  private firstMix(): string | null {
    return this.plan()!.mixes.at(0)?.id ?? null;
  }

  move(id: string, by: number): void {
    const from = this.plan()!.acts.findIndex((act) => act.id === id);
    this.store.do({ do: 'move-act', act: id, to: Math.max(0, from + by) });
  }

  /** A rule of the house is looked for again as it always is. */
  heed(rule: string): void {
    const kept = Object.entries(this.plan()!.rules.weights).filter(([id]) => id !== rule);
    this.store.do({ do: 'set-rules', change: { weights: Object.fromEntries(kept) } });
  }

  remove(id: string): void {
    this.store.do({ do: 'remove-act', act: id });
    this.picked.set(null);
  }
}

/** Clear water is laid alone. */
const laying = ({ also }: Pass, mix: string | null): Pick<Pass, 'mix' | 'also'> => ({
  mix,
  also: mix === null ? [] : also,
});
