import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { describe, expect, it } from 'vitest';
import { HeldRow } from './held-row.component';

const OPTIONS = [
  { id: 'pencil', name: 'Pencil' },
  { id: 'rubber', name: 'Rubber' },
  { id: 'fill', name: 'Fill' },
] as const;

/** A row with one of its things held, which takes up what it tells. */
async function row(held: string): Promise<ComponentFixture<HeldRow<string>>> {
  const fixture = TestBed.createComponent(HeldRow<string>);
  fixture.componentRef.setInput('label', 'What the hand holds');
  fixture.componentRef.setInput('options', OPTIONS);
  fixture.componentRef.setInput('value', held);
  fixture.componentInstance.valueChange.subscribe((id) => fixture.componentRef.setInput('value', id));
  document.body.append(fixture.nativeElement as HTMLElement);
  await fixture.whenStable();
  return fixture;
}

const buttons = (fixture: ComponentFixture<unknown>): HTMLButtonElement[] => [
  ...(fixture.nativeElement as HTMLElement).querySelectorAll('button'),
];
const held = (fixture: ComponentFixture<unknown>): string | undefined =>
  buttons(fixture)
    .find((button) => button.getAttribute('aria-checked') === 'true')
    ?.textContent.trim();

async function key(
  fixture: ComponentFixture<unknown>,
  name: string,
  more: KeyboardEventInit = {},
): Promise<boolean> {
  const event = new KeyboardEvent('keydown', { key: name, bubbles: true, cancelable: true, ...more });
  const focused = buttons(fixture).find((button) => button === document.activeElement);
  (focused ?? buttons(fixture).find((button) => button.tabIndex === 0)!).dispatchEvent(event);
  await fixture.whenStable();
  return event.defaultPrevented;
}

describe('a row of things one of which is held', () => {
  it('is a radio group, and the Tab key comes to the held one only', async () => {
    const fixture = await row('rubber');
    expect((fixture.nativeElement as HTMLElement).getAttribute('role')).toBe('radiogroup');
    expect(buttons(fixture).map((button) => button.tabIndex)).toEqual([-1, 0, -1]);
    expect(held(fixture)).toBe('Rubber');
  });

  it('arrows take up the neighbours, round the ends too, and go there', async () => {
    const fixture = await row('rubber');
    await key(fixture, 'ArrowRight');
    expect(held(fixture)).toBe('Fill');
    expect(document.activeElement).toBe(buttons(fixture)[2]);
    await key(fixture, 'ArrowDown');
    expect(held(fixture)).toBe('Pencil');
    await key(fixture, 'ArrowLeft');
    expect(held(fixture)).toBe('Fill');
    await key(fixture, 'Home');
    expect(held(fixture)).toBe('Pencil');
  });

  it('goes on from where the focus is, however quick the keys', async () => {
    const fixture = await row('pencil');
    buttons(fixture)[0].focus();
    for (let n = 0; n < 2; n++)
      document.activeElement!.dispatchEvent(
        new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }),
      );
    await fixture.whenStable();
    expect(held(fixture)).toBe('Fill');
  });

  it('leaves other keys, and those with Ctrl, to others', async () => {
    const fixture = await row('rubber');
    expect(await key(fixture, 'z')).toBe(false);
    expect(await key(fixture, 'ArrowRight', { ctrlKey: true })).toBe(false);
    expect(held(fixture)).toBe('Rubber');
  });

  it('the Tab key comes to the first while none is held', async () => {
    expect(buttons(await row('nothing')).map((button) => button.tabIndex)).toEqual([0, -1, -1]);
  });
});
