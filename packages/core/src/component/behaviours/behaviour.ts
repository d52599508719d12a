import type { Row, RowAmount, RowEditor } from '../row.js';

/** What a script does with a component that CSS alone does not. */
export interface Behaviour {
  /** The element in the component that sets it going is called `rq-` and this. */
  readonly name: string;
  readonly label: string;
  /** Its settings: custom properties of the component, so that they hold at a width or on a page as other values do. */
  readonly rows: readonly Row[];
  /** Of what moves by itself: whether it does with its settings, told by the names of their custom properties. */
  readonly moves?: (settingOf: (name: string) => string) => boolean;
}

export const elementOf = ({ name }: Pick<Behaviour, 'name'>): string => `rq-${name}`;

/** What stands in a component, as its last child, to have a behaviour. */
export const markupOf = (behaviour: Behaviour): string => `<${elementOf(behaviour)} hidden></${elementOf(behaviour)}>`;

const setting = (editor: RowEditor, label: string, name: string, usual: string, more: Partial<Row> = {}): Row => ({
  key: `--rq-${name}`,
  label,
  group: 'Behaviour',
  properties: [`--rq-${name}`],
  editor,
  usual,
  atRest: true,
  ...more,
});

/** One of a few words, the first of which is usual. */
export const oneOf = (label: string, name: string, words: string, more?: Partial<Row>): Row =>
  setting('choice', label, name, words.split(' ')[0]!, { words: words.split(' '), ...more });

export const many = (label: string, name: string, usual: string, amount: RowAmount, more?: Partial<Row>): Row =>
  setting('number', label, name, usual, { amount, ...more });

export const kept = (
  editor: 'moment' | 'zone' | 'span' | 'units' | 'pages',
  label: string,
  name: string,
  usual: string,
  more?: Partial<Row>,
): Row => setting(editor, label, name, usual, { ofOne: editor !== 'units', ...more });

/** Says that a row has a say only where another has a value. */
export const where = (name: string, is: string): Partial<Row> => ({ where: { property: `--rq-${name}`, is } });

/** Of moments that are typed as a date and a time. */
export const ZONE = kept('zone', 'Time zone', 'zone', 'UTC');
