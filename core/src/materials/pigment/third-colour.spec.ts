import { expect, it } from 'vitest';
import { deltaE00 } from '../../kit/colour';
import { paperById } from '../paper';
import { atReferenceFilm, glazeLab, meetingOf, pigmentByCode, type Mix } from '.';

const paper = paperById('cotton-cold-300');
const wash = (code: string, strength = 0.2): Mix =>
  atReferenceFilm([{ pigment: pigmentByCode(code), parts: 1 }], strength);

it('yellow and blue that meet wet make green between them', () => {
  const met = meetingOf(wash('PY154'), wash('PB15:3'), paper);
  expect(met.kind).toBe('third');
  expect(met.word).toMatch(/green/);
});

it('neighbours on the circle make nothing new', () => {
  expect(meetingOf(wash('PY154'), wash('PO62'), paper).kind).toBe('none');
  expect(meetingOf(wash('PB29'), wash('PB15:3'), paper).kind).toBe('none');
});

it('opposites meet in grey', () => {
  const met = meetingOf(wash('PG7', 0.4), wash('PR254', 0.4), paper);
  expect(met).toMatchObject({ kind: 'grey', word: 'grey' });
});

it('a grey wash has no hue to lose or to make', () =>
  expect(meetingOf(wash('PBk9'), wash('PB29'), paper).kind).not.toBe('grey'));

it('what appears lies on the way from one wash to the other', () => {
  const [one, other] = [wash('PY154', 0.1), wash('PB15:3', 0.6)];
  const { share, lab } = meetingOf(one, other, paper);
  const parts = [
    { pigment: one.parts[0].pigment, parts: (1 - share) * 0.1 },
    { pigment: other.parts[0].pigment, parts: share * 0.6 },
  ];
  const strength = (1 - share) * 0.1 + share * 0.6;
  expect(deltaE00(lab, glazeLab(paper, [atReferenceFilm(parts, strength)]))).toBeLessThan(1e-6);
});
