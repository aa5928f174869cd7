import { TestBed } from '@angular/core/testing';
import { describe, expect, it } from 'vitest';
import { NumberField } from './number-field.component';

/** A field from 1 to 60 with a number in it, what is typed into it, and what it tells. */
async function field(value: number | null, placeholder = '') {
  const fixture = TestBed.createComponent(NumberField);
  const told: (number | null)[] = [];
  for (const [name, given] of Object.entries({ label: 'well', least: 1, most: 60, value, placeholder }))
    fixture.componentRef.setInput(name, given);
  fixture.componentInstance.valueChange.subscribe((number) => told.push(number));
  await fixture.whenStable();
  const input = (fixture.nativeElement as HTMLElement).querySelector('input')!;
  const type = (text: string): void => {
    input.value = text;
    input.dispatchEvent(new Event('change'));
  };
  return { input, type, told };
}

describe('a number field', () => {
  it('reads point and comma, and a true minus', async () => {
    const { type, told } = await field(3);
    for (const text of ['12', ' 12,5 ', '12.25']) type(text);
    expect(told).toEqual([12, 12.5, 12.25]);
  });

  it('tells nothing of what is no number or out of bounds, and shows again what stood there', async () => {
    const { input, type, told } = await field(3);
    for (const text of ['sixty', '61', '−1', '']) {
      type(text);
      expect(input.value).toBe('3');
    }
    expect(told).toEqual([]);
  });

  it('may be left empty where that means something', async () => {
    const { input, type, told } = await field(3, 'none');
    type('');
    expect(told).toEqual([null]);
    expect(input.placeholder).toBe('none');
  });
});
