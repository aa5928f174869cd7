/** Occasions a card is made for; the list suggests, any words will do. */
export const OCCASIONS: readonly string[] = [
  'birthday',
  'get well',
  'new baby',
  'new home',
  'leaving',
  'thanks',
  'passed the exam',
  'wedding',
  'anniversary',
  'sympathy',
  'midwinter',
];
