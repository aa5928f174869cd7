import {
  catchError,
  debounceTime,
  EMPTY,
  pipe,
  switchMap,
  type Observable,
  type OperatorFunction,
} from 'rxjs';

/**
 * The answer to the newest question: a burst of questions is put once, after `settleMs` of rest; one that is overtaken is stopped.
 * What fails is told to `failed`, and the last answer stands.
 */
export const latest = <Asked, Answer>(
  settleMs: number,
  ask: (asked: Asked) => Observable<Answer>,
  failed: (cause: unknown) => void,
): OperatorFunction<Asked, Answer> =>
  pipe(
    debounceTime(settleMs),
    switchMap((asked) =>
      ask(asked).pipe(
        catchError((cause: unknown) => {
          failed(cause);
          return EMPTY;
        }),
      ),
    ),
  );
