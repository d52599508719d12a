import { judge, type Applied, type Criterion } from '../cascade/applied.js';
import type { Specificity } from '../selector/specificity.js';
import type { ElementStyle } from '../cascade/element-style.js';

/** Where a declaration comes from, in the words of the cascade. */
export type Source = 'sheet' | 'style attribute' | 'attribute' | 'browser';

/** One declaration in the running for a property of an element in a state. */
export interface Contender {
  readonly value: string;
  readonly source: Source;
  readonly selector: string;
  readonly sheet: string;
  readonly line: number;
  readonly column: number;
  readonly specificity: Specificity;
  /** Layer path, outermost first; empty outside layers. */
  readonly layer: readonly string[];
  /** Conditions under which its rule applies, as written. */
  readonly conditions: readonly string[];
  readonly important: boolean;
  readonly wins: boolean;
  /** What decided against it, measured against the winner; undefined for the winner. */
  readonly lostBy: Criterion | 'invalid' | 'reverted' | undefined;
  /** The same as a sentence. */
  readonly why: string;
}

/** What a new rule, placed after all sheets of the site, must have to win. */
export interface ToWin {
  /** Least specificity; null where no weight helps. */
  readonly specificity: Specificity | null;
  readonly important: boolean;
  /** Layer that the rule would have to stand in, where an important declaration in a layer must be beaten. */
  readonly layer: readonly string[] | undefined;
  readonly sentence: string;
}

export interface Explanation {
  readonly property: string;
  /** The computed value. */
  readonly computed: string;
  /** Where the value comes from when nothing declares it: the parent, or the property's initial value. */
  readonly otherwise: 'inherited' | 'initial' | undefined;
  /** Strongest first. */
  readonly contenders: readonly Contender[];
  readonly toWin: ToWin;
}

export const specificityText = (specificity: Specificity): string => `(${specificity.join(',')})`;

const sourceOf = (applied: Applied): Source =>
  applied.origin === 'browser' ? 'browser' : applied.inline ? 'style attribute' : applied.hint ? 'attribute' : 'sheet';

function conditionsOf(applied: Applied): string[] {
  return (applied.rule?.conditions ?? []).map((condition) =>
    condition.kind === 'media'
      ? `@media ${condition.query.text}`
      : condition.kind === 'supports'
        ? `@supports ${condition.text}`
        : `@container ${condition.text}`,
  );
}

const layerName = (applied: Applied): string => applied.rule?.layer.join('.') ?? '';

/** Why `loser` stands below `winner`, as a sentence for the owner of the site. */
function reason(loser: Applied, winner: Applied, criterion: Criterion): string {
  const where = winner.inline ? 'the style attribute' : `${winner.selector?.text ?? 'an attribute'}`;
  switch (criterion) {
    case 'origin':
      return loser.origin === 'browser'
        ? 'The browser’s own rules give way to the site’s.'
        : loser.hint
          ? 'Attributes of the element give way to every rule of the site.'
          : 'The browser’s important rules stand above the site’s.';
    case 'importance':
      return `${where} is !important, and this is not.`;
    case 'inline':
      return winner.inline ? 'The style attribute of the element stands above rules.' : `${where} stands above it.`;
    case 'layer': {
      const [own, other] = [layerName(loser), layerName(winner)];
      if (winner.declaration.important)
        return `Among !important declarations the earlier layer wins: ${other || 'no layer'} before ${own || 'no layer'}.`;
      return other === ''
        ? `It stands in the layer ${own}, and rules outside layers win over it.`
        : `Its layer ${own} comes before the layer ${other}.`;
    }
    case 'specificity':
      return `Its selector weighs less: ${specificityText(loser.specificity)} against ${specificityText(winner.specificity)}.`;
    case 'proximity':
      return 'The root of its @scope is further away.';
    case 'order':
      return loser.rule === winner.rule && loser.rule !== undefined
        ? 'A later declaration in the same rule replaces it.'
        : `It weighs the same, and ${where} comes later.`;
  }
}

function toWinOver(style: ElementStyle, property: string, winner: Applied | undefined): ToWin {
  if (!winner || winner.origin === 'browser' || winner.hint) {
    if (winner?.declaration.important) {
      return {
        specificity: null,
        important: true,
        layer: undefined,
        sentence: 'Nothing in a stylesheet can win: the browser itself insists on this value.',
      };
    }
    return {
      specificity: [0, 0, 0],
      important: false,
      layer: undefined,
      sentence: 'Any rule that reaches the element wins.',
    };
  }
  const { important } = winner.declaration;
  if (important && winner.inline) {
    return {
      specificity: null,
      important: true,
      layer: undefined,
      sentence: 'No rule can win over an !important in the style attribute; it has to be changed in the HTML.',
    };
  }
  if (important && winner.rule?.layer.length) {
    return {
      specificity: winner.specificity,
      important: true,
      layer: winner.rule.layer,
      sentence: `The winner is !important in the layer ${layerName(winner)}, so the new rule must be !important in that layer or an earlier one, with at least ${specificityText(winner.specificity)}.`,
    };
  }
  if (winner.inline) {
    return {
      specificity: [0, 0, 0],
      important: true,
      layer: undefined,
      sentence: 'The value stands in the style attribute, so the new declaration must be !important.',
    };
  }
  // Any unlayered rule wins over layers, whatever its weight.
  const weight = winner.rule?.layer.length && !important ? ([0, 0, 0] as const) : winner.specificity;
  const strongest = style
    .running(property)
    .filter((applied) => applied.origin === 'author' && !applied.inline && applied.declaration.important === important)
    .at(-1);
  const needed = strongest && strongest !== winner && !strongest.rule?.layer.length ? strongest.specificity : weight;
  return {
    specificity: needed,
    important,
    layer: undefined,
    sentence: `A rule after the site’s sheets wins with a weight of at least ${specificityText(needed)}${important ? ' and !important, since the winner has it' : ''}.`,
  };
}

/** Every declaration in the running for a property, strongest first, with why each lost. */
export function explain(style: ElementStyle, property: string): Explanation {
  const running = style.running(property);
  const winner = style.winner(property);
  const strongestFirst = [...running].reverse();
  const contenders = strongestFirst.map((applied): Contender => {
    const wins = applied === winner;
    const { declaration, selector } = applied;
    let lostBy: Contender['lostBy'];
    let why = 'Wins.';
    if (!wins) {
      const above = winner ?? strongestFirst[0]!;
      const [order, criterion] = judge(applied, above);
      if (order > 0 || !winner) {
        lostBy = 'reverted';
        why = `It says ${declaration.value}, which hands the value back to what comes before it.`;
      } else {
        lostBy = criterion;
        why = reason(applied, above, criterion);
      }
    }
    return {
      value: declaration.shorthand ? `${declaration.shorthand}: ${declaration.value}` : declaration.value,
      source: sourceOf(applied),
      selector: selector?.text ?? (applied.inline ? 'style attribute' : 'attribute'),
      sheet: declaration.place.sheet,
      line: declaration.place.line,
      column: declaration.place.column,
      specificity: applied.specificity,
      layer: applied.rule?.layer ?? [],
      conditions: conditionsOf(applied),
      important: declaration.important,
      wins,
      lostBy,
      why,
    };
  });
  return {
    property,
    computed: style.text(property),
    otherwise: winner ? undefined : style.inherits(property) ? 'inherited' : 'initial',
    contenders,
    toWin: toWinOver(style, property, winner),
  };
}
