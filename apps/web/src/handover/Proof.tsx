import { Box } from '@chakra-ui/react';
import { stateWords, type SiteHandover } from '@retoque/core';
import { Notice } from '../shell/Notice';

interface Props {
  readonly answer: SiteHandover;
  readonly pageId: string;
  /** What a look is called. */
  readonly nameOf: (worn: string) => string;
}

/** Failures that are named; past them they are counted. */
const MOST_NAMED = 6;

/** What was compared on every page that the looks reach, and what came out. */
export function Proof({ answer, pageId, nameOf }: Props) {
  const { pages, unbeatable } = answer;
  const failures = pages.flatMap((page) => page.failures.map((failure) => ({ ...failure, page: page.name })));
  const foreign = pages.flatMap((page) => page.foreign.map((item) => ({ ...item, page: page.name })));
  const reached = pages.filter(({ worn }) => worn.length);
  const compared = reached.reduce((sum, page) => sum + page.compared, 0);
  const left = reached.reduce((sum, page) => sum + page.notCompared, 0);
  const here = reached.some((page) => page.pageId === pageId);
  const others = reached.length - (here ? 1 : 0);
  const isProven = !failures.length && !foreign.length && !unbeatable.length && !left;
  return (
    <>
      {isProven ? (
        <Notice>
          {here ? <strong>Proven on this page.</strong> : null}{' '}
          {others ? (
            <strong>
              {here ? 'And on' : 'Proven on'} {others} {others === 1 ? 'page' : 'pages'}
              {here ? ' more' : ''}: every page that it reaches.
            </strong>
          ) : null}{' '}
          {compared.toLocaleString()} values were compared, in every state and in every range of width and colour
          scheme: your site shows with this CSS what you see here.
        </Notice>
      ) : (
        <Notice tone="short">
          <strong>This CSS does not do everywhere what you see here.</strong>
          <Box as="ul" pl="18px" mt="4px">
            {unbeatable.map((item) => (
              <li key={`${item.selector} ${item.property} ${item.line}`}>
                {nameOf(item.worn)}, {item.property}: {item.selector} ({item.sheet}:{item.line}) is !important in a
                layer or a style attribute, which no rule can beat. Change it there.
              </li>
            ))}
            {failures.slice(0, MOST_NAMED).map((item, i) => (
              <li key={i}>
                {item.page}: {nameOf(item.worn)}, {item.property}, {stateWords(item.states)}: should be {item.wanted},
                would be {item.got}.
              </li>
            ))}
            {failures.length > MOST_NAMED ? <li>{failures.length - MOST_NAMED} values more.</li> : null}
            {foreign.slice(0, MOST_NAMED).map((item, i) => (
              <li key={i}>
                {item.page}: {nameOf(item.worn)}: <code>{item.selector}</code> reaches {item.elements}{' '}
                {item.elements === 1 ? 'element' : 'elements'} there that {item.elements === 1 ? 'is' : 'are'} no part
                of it.
              </li>
            ))}
            {left ? (
              <li>{left} elements were not compared: of one part the first 200 of a page are looked at one by one.</li>
            ) : null}
          </Box>
        </Notice>
      )}
      {reached.length > 1 ? (
        <Box as="table" css={styles} aria-label="What was proven on each page">
          <thead>
            <tr>
              <th scope="col">Page</th>
              <th scope="col" className="more">
                Components
              </th>
              <th scope="col" className="more">
                Ranges of width
              </th>
              <th scope="col">Values compared</th>
              <th scope="col">Differing</th>
            </tr>
          </thead>
          <tbody>
            {reached.map((page) => (
              <tr key={page.pageId}>
                <th scope="row">{page.name}</th>
                <td className="more">{page.worn.length}</td>
                <td className="more">{page.ranges}</td>
                <td>{page.compared.toLocaleString()}</td>
                <td data-differing={page.failures.length > 0}>{page.failures.length || '✓ 0'}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      ) : null}
    </>
  );
}

const styles = {
  width: '100%',
  marginTop: '12px',
  borderCollapse: 'collapse',
  fontSize: '13.5px',
  '& th, & td': { textAlign: 'right', padding: '5px 8px', borderBottom: '1px solid {colors.lineSoft}' },
  '& th:first-of-type': { textAlign: 'left', paddingLeft: '2px' },
  '& thead th': { color: 'ink2', fontWeight: 500, fontSize: '12.5px', verticalAlign: 'bottom' },
  '& tbody th': { fontWeight: 550, overflowWrap: 'anywhere' },
  '& .more': { display: { base: 'none', md: 'table-cell' } },
  '& td': { fontVariantNumeric: 'tabular-nums' },
  '& [data-differing=true]': { color: 'shortInk', fontWeight: 600 },
};
