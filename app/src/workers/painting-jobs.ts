import type { PaintingApi } from './painting-api';
import { PaintingTable } from './painting-table';
import type { PaperStore } from './paper-store';
import type { SimulationKernels } from './simulation-kernels';
import { yieldToHost, letGo } from './job-runner';

/** The painting worker at work: one sheet on its table, whose clock runs while nobody asks for anything. In one piece: a table of what it answers. */
export function paintingJobs(kernels: Promise<SimulationKernels>, papers: PaperStore): PaintingApi {
  let table: PaintingTable | null = null;
  /** Lets go of whoever is told what happens on the table. */
  let leave: () => void = () => undefined;
  /** Sheets opened so far: one that is ready after a later one was opened is not laid on the table. */
  let opened = 0;
  let wake: () => void = () => undefined;
  let running = false;

  /** Takes turns until nothing is left to do, and rests until somebody asks for something. */
  async function run(): Promise<void> {
    if (running) return;
    running = true;
    const laid = table;
    while (laid !== null && laid === table) {
      const restMs = laid.turn();
      if (restMs === 0) await yieldToHost();
      else await rest(restMs);
    }
    running = false;
    if (table) void run();
  }

  const rest = (ms: number): Promise<void> =>
    new Promise((resolve) => {
      const timer = ms === Infinity ? undefined : setTimeout(resolve, ms);
      wake = () => {
        clearTimeout(timer);
        resolve();
      };
    });

  /** Does something with the sheet on the table, and sees to it that what comes of it is shown. */
  function withTable<Answer>(does: (table: PaintingTable) => Answer): Answer {
    if (!table) throw new Error('no sheet lies on the table');
    const answer = does(table);
    wake();
    return answer;
  }

  function clear(): void {
    table = null;
    leave();
    // Whoever was let go cannot be let go again.
    leave = () => undefined;
    wake();
  }

  async function keep(): Promise<void> {
    const paper = table?.toKeep();
    if (paper) await papers.save(paper);
  }

  return {
    async open(sheet, tell, onProgress) {
      clear();
      const mine = ++opened;
      leave = () => {
        letGo(tell);
      };
      const laid = new PaintingTable(sheet, {
        kernels: await kernels,
        now: () => performance.now(),
        tell,
      });
      const work = laid.ready(await papers.load(sheet.key));
      for (let step = work.next(); ; step = work.next()) {
        if (step.done) {
          letGo(onProgress);
          if (mine === opened) {
            table = laid;
            void run();
          }
          return step.value;
        }
        onProgress(step.value);
        await yieldToHost();
      }
    },
    begin: (stroke, place) => withTable((on) => on.begin(stroke, place)),
    goOn: (places) => withTable((on) => on.goOn(places)),
    end: () => Promise.resolve(withTable((on) => on.end())),
    giveUp: () =>
      Promise.resolve().then(() => {
        withTable((on) => {
          on.giveUp();
        });
      }),
    act: (act) => Promise.resolve().then(() => withTable((on) => on.act(act))),
    setActs: (after, acts) =>
      Promise.resolve().then(() => {
        withTable((on) => {
          on.setActs(after, acts);
        });
      }),
    setOut: (pigments) => withTable((on) => on.setOut(pigments)),
    clock: (order) => withTable((on) => on.setClock(order)),
    runTo: (until) => withTable((on) => on.runTo(until)),
    look: (look, masked) => withTable((on) => on.look(look, masked)),
    read: (shape) => Promise.resolve(withTable((on) => on.read(shape))),
    keep,
    forget: (key) => papers.forget(key),
    async close() {
      await keep();
      clear();
    },
  };
}
