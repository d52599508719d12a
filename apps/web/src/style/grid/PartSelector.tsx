import { Box, Flex } from '@chakra-ui/react';
import type { SheetPart } from '@retoque/core';
import { Crosshair } from 'lucide-react';
import { Button } from '../../theme/Button';
import { useSelectorAnswer } from './useSelectorAnswer';
import { Input } from '../../theme/Input';

/** Which elements a part is: a selector that is typed, or comes from pointing at one on the page. */
export default function PartSelector({
  versionId,
  part,
  isOwn,
  text,
  onType,
  onPoint,
  onUse,
  onLeave,
}: {
  versionId: string;
  part: SheetPart | undefined;
  /** True for a part that the owner added. */
  isOwn: boolean;
  text: string;
  onType: (text: string) => void;
  onPoint: () => void;
  /** Undefined goes back to what was found. */
  onUse: (selector: string | undefined) => void;
  onLeave: () => void;
}) {
  const { count, problem, words } = useSelectorAnswer(versionId, text);
  const label = part?.label ?? 'Part';
  return (
    <Box asChild mt="4px">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          if (!text.trim() || problem || count === undefined) return;
          onUse(text.trim());
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
            onChange={(event) => onType(event.target.value)}
            onKeyDown={(event) => {
              if (event.key === 'Escape') onLeave();
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
          <Button variant="quiet" size="s" onClick={onLeave}>
            Leave it
          </Button>
          {part?.corrected ? (
            <Button variant="quiet" size="s" onClick={() => onUse(undefined)}>
              {isOwn ? 'Remove this part' : 'Back to what was found'}
            </Button>
          ) : null}
        </Flex>
      </form>
    </Box>
  );
}
