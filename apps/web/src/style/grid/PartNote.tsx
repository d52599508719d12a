import { Box, chakra, Flex } from '@chakra-ui/react';
import type { SheetPart } from '@retoque/core';
import { useState } from 'react';
import { Button } from '../../theme/Button';
import { late } from '../../shell/late';
import type { OwnPartEdits } from './useOwnParts';

const PartName = late(() => import('./PartName'));
const PartSelector = late(() => import('./PartSelector'));

const Code = chakra('span', { base: { fontFamily: 'mono', fontSize: '11.5px', overflowWrap: 'anywhere' } });

/** Which elements a part is and what it is called, and how to correct both. */
export function PartNote({
  versionId,
  part,
  isOwn,
  own: { pointed, taken, correct, rename },
  onPoint,
}: {
  versionId: string;
  /** The part as found; undefined where the page has none. */
  part: SheetPart | undefined;
  /** True for a part that the owner added. */
  isOwn: boolean;
  own: OwnPartEdits;
  onPoint: () => void;
}) {
  const [typed, setTyped] = useState<string>();
  const text = typed ?? pointed;
  const label = part?.label ?? 'Part';
  const editing = text !== undefined;
  const [naming, setNaming] = useState(false);
  const leave = () => setTyped(undefined);
  return (
    <Box data-testid="part-note">
      <Flex alignItems="center" gap="6px">
        <Box fontWeight={600} flex="1">
          {label}
          <Box as="span" color="ink3" fontWeight={400} ml="6px">
            {part ? (part.reach === 1 ? '1 element' : `${part.reach} elements`) : 'not found on this page'}
          </Box>
        </Box>
        {editing || naming ? null : (
          <>
            {part ? (
              <Button variant="quiet" size="s" onClick={() => setNaming(true)}>
                Rename
              </Button>
            ) : null}
            <Button variant="quiet" size="s" onClick={() => setTyped(part?.selector ?? '')}>
              Correct
            </Button>
          </>
        )}
      </Flex>
      {naming && part ? (
        <PartName
          part={part}
          taken={taken}
          onRename={(name) => {
            setNaming(false);
            rename(name);
          }}
          onLeave={() => setNaming(false)}
        />
      ) : null}
      {editing ? (
        <PartSelector
          versionId={versionId}
          part={part}
          isOwn={isOwn}
          text={text}
          onType={setTyped}
          onPoint={onPoint}
          onUse={(selector) => {
            leave();
            correct(selector);
          }}
          onLeave={leave}
        />
      ) : part ? (
        <Code color="ink2">
          {part.selector}
          {part.pseudo ? `::${part.pseudo}` : ''}
          {part.corrected ? ' (yours)' : ''}
        </Code>
      ) : null}
    </Box>
  );
}
