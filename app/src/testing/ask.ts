import { done, type Work } from '@kettle/core/kit/units';

/** Does a job in one go, as its worker would slice by slice. */
export const ask = async <Answer>(work: Work<Answer> | Promise<Work<Answer>>): Promise<Answer> =>
  done(await work);

/** Does a job step by step: its answer, the shares it told, and `null` where it was stopped once a share was passed. */
export async function watched<Answer>(
  work: Work<Answer> | Promise<Work<Answer>>,
  stopBeyond = Infinity,
): Promise<{ answer: Answer | null; shares: number[] }> {
  const [steps, shares] = [await work, [] as number[]];
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.done) return { answer: step.value, shares };
    shares.push(step.value);
    if (step.value > stopBeyond) {
      steps.return(undefined as Answer);
      return { answer: null, shares };
    }
  }
}
