import { SaxesParser } from 'saxes';
import { BadInput } from '../../kit/units';

export type Attributes = Readonly<Record<string, string | undefined>>;

/** What is told of a document as it is read; names without their prefix, in small letters. */
export interface Listener {
  readonly open: (name: string, attributes: Attributes) => void;
  readonly close: () => void;
}

/** No drawing for a card is longer, characters. Ours. */
const MOST_CHARACTERS = 5_000_000;

/** Reads XML strictly. Throws `BadInput` on `drawing` for what is damaged, too long, or declares entities of its own. */
export function readXml(text: string, { open, close }: Listener): void {
  if (text.length > MOST_CHARACTERS) throw new BadInput('drawing', 'is larger than 5 MB');
  const parser = new SaxesParser({ xmlns: false });
  parser.on('error', ({ message }) => {
    throw new BadInput('drawing', `is damaged: ${message}`);
  });
  parser.on('doctype', (doctype) => {
    if (/<!ENTITY/i.test(doctype))
      throw new BadInput('drawing', 'declares entities of its own, which are not read');
  });
  parser.on('opentag', ({ name, attributes }) => {
    open(name.replace(/^.*:/, '').toLowerCase(), attributes);
  });
  parser.on('closetag', close);
  parser.write(text.replace(/^\uFEFF/, '')).close();
}
