import { TestBed } from '@angular/core/testing';
import { expect, it } from 'vitest';
import { Choice } from './choice.component';

it('a list stays as it is while its options say the same, and changes when they do', async () => {
  const fixture = TestBed.createComponent(Choice<string>);
  const options = () => [
    { id: 'side', name: 'folds at the side' },
    { id: 'top', name: 'folds at the top' },
  ];
  for (const [name, given] of Object.entries({ label: 'Fold', options: options(), value: 'top' }))
    fixture.componentRef.setInput(name, given);
  await fixture.whenStable();
  const before = fixture.componentInstance.list();
  // Made anew, as a view does at each change: an open list would close.
  fixture.componentRef.setInput('options', options());
  await fixture.whenStable();
  expect(fixture.componentInstance.list()).toBe(before);
  fixture.componentRef.setInput('options', options().slice(1));
  await fixture.whenStable();
  expect(fixture.componentInstance.list()).toHaveLength(1);
  const select = (fixture.nativeElement as HTMLElement).querySelector('[role=combobox]')!;
  expect(select.getAttribute('aria-label')).toBe('Fold');
  expect(select.textContent.trim()).toBe('folds at the top');
});
