import { Box, chakra, Flex, Input } from '@chakra-ui/react';
import type { SheetPart } from '@retoque/core';
import { Crosshair } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../theme/Button';
import { useSelectorAnswer } from './useSelectorAnswer';

const Code = chakra('span', { base: { fontFamily: 'mono', fontSize: '11.5px', overflowWrap: 'anywhere' } });

/** Which elements a part is, and how to correct it: by a selector, or by pointing at one on the page. */
export function PartNote({
  versionId,
  part,
  isOwn,
  onCorrect,
  onPoint,
  pointed,
}: {
  versionId: string;
  /** The part as found; undefined where the page has none. */
  part: SheetPart | undefined;
  /** True for a part that the owner added. */
  isOwn: boolean;
  onCorrect: (selector: string | undefined) => void;
  onPoint: () => void;
  /** A selector that was just pointed at. */
  pointed: string | undefined;
}) {
  const [typed, setTyped] = useState<string>();
  const text = typed ?? pointed;
  const { count, problem, words } = useSelectorAnswer(versionId, text);
  const label = part?.label ?? 'Part';
  const editing = text !== undefined;
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
        {editing ? null : (
          <Button variant="quiet" size="s" onClick={() => setTyped(part?.selector ?? '')}>
            Correct
          </Button>
        )}
      </Flex>
      {editing ? (
        <Box asChild mt="4px">
          <form
            onSubmit={(event) => {
              event.preventDefault();
              if (!text.trim() || problem || count === undefined) return;
              onCorrect(text.trim());
              leave();
            }}
          >
            <Flex gap="6px">
              <Input
                autoFocus
                aria-label={`Selector of ${label}`}
                aria-invalid={Boolean(problem)}
                fontFamily="mono"
                fontSize="12px"
                spellCheck={false}
                value={text}
                onChange={(event) => setTyped(event.target.value)}
                onKeyDown={(event) => {
                  if (event.key === 'Escape') leave();
                }}
              />
              <Button
                size="icon"
                height="32px"
                aria-label="Point at it on the page"
                title="Point at it on the page"
                onClick={onPoint}
              >
                <Crosshair aria-hidden="true" />
              </Button>
            </Flex>
            <Box
              role={problem ? 'alert' : 'status'}
              color={problem ? 'short' : 'ink2'}
              fontSize="12px"
              mt="4px"
              minHeight="17px"
            >
              {problem ?? words}
            </Box>
            <Flex gap="6px" mt="4px">
              <Button type="submit" variant="solid" size="s" disabled={Boolean(problem) || count === undefined}>
                Use it
              </Button>
              <Button variant="quiet" size="s" onClick={leave}>
                Leave it
              </Button>
              {part?.corrected ? (
                <Button
                  variant="quiet"
                  size="s"
                  onClick={() => {
                    leave();
                    onCorrect(undefined);
                  }}
                >
                  {isOwn ? 'Remove this part' : 'Back to what was found'}
                </Button>
              ) : null}
            </Flex>
          </form>
        </Box>
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
