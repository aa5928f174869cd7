import { describe, expect, it } from 'vitest';
import { Messages } from './messages.service';

const said = (messages: Messages): string => messages.current()?.what ?? '';

describe('what the app says', () => {
  it('makes room for what a later press came to', () => {
    const messages = new Messages();
    messages.say('Two cards were cut.');
    messages.stop('The sheet is too small.', 'Nothing was cut.');
    expect(said(messages)).toBe('The sheet is too small.');
    messages.clear();
    expect(said(messages)).toBe('');
  });

  it('keeps a trouble, and an offer, under what is said after it', () => {
    const messages = new Messages();
    messages.trouble('The disk is full.', 'Save the card as a file.');
    messages.offer('“Kettle” was being written.', 'It has been kept.', {
      label: 'Put it back',
      run: () => undefined,
    });
    messages.say('Working out the drying takes longer than usual.');
    messages.withdraw('Working out the drying takes longer than usual.');
    expect(messages.current()).toMatchObject({ what: '“Kettle” was being written.', severity: 'info' });
    expect(messages.current()!.actions.map(({ label }) => label)).toEqual(['Put it back']);
    messages.clear();
    expect(messages.current()).toMatchObject({ what: 'The disk is full.', severity: 'stop' });
    messages.withdraw('The disk is full.');
    expect(messages.current()).toBeNull();
  });

  it('says the same trouble once', () => {
    const messages = new Messages();
    for (let times = 0; times < 3; times++) messages.trouble('The disk is full.', `attempt ${times}`);
    expect(messages.current()!.advice).toBe('attempt 2');
    messages.clear();
    expect(messages.current()).toBeNull();
  });
});
