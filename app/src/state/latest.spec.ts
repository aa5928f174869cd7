import { NEVER, of, Subject, throwError, finalize } from 'rxjs';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { latest } from './latest';

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

describe('the answer to the newest question', () => {
  it('is asked for once after a burst, when the hand has rested', () => {
    const [asked, said] = [[] as string[], [] as string[]];
    const questions = new Subject<string>();
    const ask = (question: string) => {
      asked.push(question);
      return of(`${question}!`);
    };
    questions.pipe(latest(40, ask, () => undefined)).subscribe((answer) => said.push(answer));
    for (const letter of ['s', 'sk', 'sky']) {
      questions.next(letter);
      vi.advanceTimersByTime(10);
    }
    expect(asked).toEqual([]);
    vi.advanceTimersByTime(40);
    expect(asked).toEqual(['sky']);
    expect(said).toEqual(['sky!']);
  });

  it('overtakes an older one, whose work is stopped', () => {
    const [stopped, said] = [[] as string[], [] as string[]];
    const questions = new Subject<string>();
    const ask = (question: string) =>
      question === 'old' ? NEVER.pipe(finalize(() => stopped.push(question))) : of(question);
    questions.pipe(latest(0, ask, () => undefined)).subscribe((answer) => said.push(answer));
    for (const question of ['old', 'new']) {
      expect(stopped).toEqual([]);
      questions.next(question);
      vi.advanceTimersByTime(500);
    }
    expect(said).toEqual(['new']);
    expect(stopped).toEqual(['old']);
  });

  it('that fails is told, and the next question is answered all the same', () => {
    const [faults, said] = [[] as string[], [] as string[]];
    const questions = new Subject<string>();
    const ask = (question: string) =>
      question === 'bad' ? throwError(() => new Error('no kernel')) : of(question);
    questions
      .pipe(latest(0, ask, (cause) => faults.push(String(cause))))
      .subscribe((answer) => said.push(answer));
    for (const question of ['good', 'bad', 'better']) {
      questions.next(question);
      vi.advanceTimersByTime(1);
    }
    expect(faults).toEqual(['Error: no kernel']);
    expect(said).toEqual(['good', 'better']);
  });
});
