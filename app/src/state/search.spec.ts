import { Observable, of, Subject, throwError } from 'rxjs';
import { describe, expect, it } from 'vitest';
import { Search } from './search';

type Told = { readonly share: number } | { readonly answer: string };

describe('a search a painter may stop', () => {
  it('tells how far it is, then its answer, and nothing once it is over', async () => {
    const search = new Search();
    const told = new Subject<Told>();
    const found = search.find(told);
    expect(search.share()).toBe(0);
    told.next({ share: 0.4 });
    expect(search.share()).toBe(0.4);
    told.next({ answer: 'ochre' });
    told.complete();
    expect(await found).toBe('ochre');
    expect(search.share()).toBeNull();
  });

  it('is stopped: its work ends, and its answer is none', async () => {
    const search = new Search();
    let working = true;
    const found = search.find(
      new Observable<Told>(() => () => {
        working = false;
      }),
    );
    search.stop();
    expect(await found).toBeNull();
    expect(working).toBe(false);
    expect(search.share()).toBeNull();
  });

  it('gives way to the next, whose share is its own', async () => {
    const search = new Search();
    const [one, other] = [new Subject<Told>(), new Subject<Told>()];
    const first = search.find(one);
    one.next({ share: 0.9 });
    const second = search.find(other);
    expect(search.share()).toBe(0);
    expect(await first).toBeNull();
    other.next({ share: 0.2 });
    expect(search.share()).toBe(0.2);
    other.next({ answer: 'umber' });
    other.complete();
    expect(await second).toBe('umber');
  });

  it('has its answer at once where that lies ready', async () => {
    const search = new Search();
    expect(await search.find(of<Told>({ answer: 'known' }))).toBe('known');
    expect(search.share()).toBeNull();
  });

  it('fails as its work does', async () => {
    const search = new Search();
    await expect(search.find(throwError(() => new Error('no box')))).rejects.toThrow('no box');
    expect(search.share()).toBeNull();
  });
});
