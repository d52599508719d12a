import { Box, Flex } from '@chakra-ui/react';
import { splitPart, type Exception, type Look } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { Split, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { engine } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import { refKey } from '../../engine/ref-key';
import { tellProblem } from '../../shell/toasts';
import { Button } from '../../theme/Button';
import { partNameProblem } from '../grid/PartName';
import { Input } from '../../theme/Input';

/** The members of a part, to choose which differ, and the exceptions that there are. */
export default function ExceptionChoices({
  component,
  part,
  look,
  taken,
  onAdd,
  onRemove,
  onSplit,
}: {
  component: ComponentRef;
  part: string;
  look: Look;
  /** Names and labels that parts have already. */
  taken: ReadonlySet<string>;
  onAdd: (exception: Exception) => void;
  onRemove: (exception: Exception) => void;
  onSplit: (change: (look: Look) => Look, name: string) => void;
}) {
  const own = look.exceptions.filter((exception) => exception.part === part);
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [name, setName] = useState('');
  const members = useQuery({
    queryKey: ['engine', 'members', refKey(component), part],
    staleTime: Infinity,
    queryFn: () => engine().members(component, part),
  });
  const list = members.data ?? [];
  const suggested = list
    .filter((member) => chosen.includes(member.selector))
    .map((member) => member.text)
    .join(', ')
    .slice(0, 60);
  const orders = new Set(list.flatMap(({ selector, order }) => (chosen.includes(selector) ? [order] : [])));
  const partName = name.trim() || asPartName(suggested);
  const problem = splitProblem(partName, chosen.length, list.length, taken);
  const split = () => {
    engine()
      .splitOff(component, look, part, orders)
      .then((told) => onSplit((now) => splitPart(now, { ...told, name: partName }), partName), tellProblem);
  };
  return (
    <>
      <Box as="ul" listStyleType="none" mt="8px" maxHeight="240px" overflowY="auto">
        {list.map((member) => (
          <Box as="li" key={member.order}>
            <Flex asChild gap="8px" alignItems="center" padding="3px 0" cursor="pointer">
              <label>
                <input
                  type="checkbox"
                  checked={chosen.includes(member.selector)}
                  onChange={(event) =>
                    setChosen(
                      event.target.checked
                        ? [...chosen, member.selector]
                        : chosen.filter((selector) => selector !== member.selector),
                    )
                  }
                />
                <Box as="span" flex="1" overflow="hidden" textOverflow="ellipsis" whiteSpace="nowrap">
                  {member.text}
                </Box>
                <Box
                  as="span"
                  fontFamily="mono"
                  fontSize="11px"
                  color="ink3"
                  maxWidth="120px"
                  overflow="hidden"
                  textOverflow="ellipsis"
                  whiteSpace="nowrap"
                >
                  {member.selector}
                </Box>
              </label>
            </Flex>
          </Box>
        ))}
      </Box>
      <Flex gap="6px" mt="8px">
        <Input
          aria-label="Name of what differs"
          placeholder={suggested || 'Name'}
          value={name}
          maxLength={200}
          onChange={(event) => setName(event.target.value)}
        />
        <Button
          variant="solid"
          disabled={!chosen.length}
          onClick={() => {
            onAdd({ id: crypto.randomUUID(), name: name.trim() || suggested, part, members: [...chosen] });
          }}
        >
          Add exception
        </Button>
      </Flex>
      <Flex gap="8px" mt="8px" alignItems="center" justifyContent="space-between">
        <Box fontSize="12px" color={problem ? 'short' : 'ink2'} role={problem ? 'alert' : undefined}>
          {problem ?? 'Or give them rows of their own. They keep their look.'}
        </Box>
        <Button flexShrink="0" disabled={!chosen.length || problem !== undefined} onClick={split}>
          <Split aria-hidden="true" />
          Make a part
        </Button>
      </Flex>
      {own.length ? (
        <Box borderTop="1px solid {colors.lineSoft}" mt="12px" pt="8px">
          {own.map((exception) => (
            <Flex key={exception.id} alignItems="center" gap="8px">
              <Box flex="1">{exception.name}</Box>
              <Box color="ink3" fontSize="12px">
                {exception.members.length === 1 ? '1 member' : `${exception.members.length} members`}
              </Box>
              <Button
                variant="quiet"
                size="s"
                aria-label={`Remove the exception ${exception.name}`}
                onClick={() => onRemove(exception)}
              >
                <Trash2 aria-hidden="true" />
              </Button>
            </Flex>
          ))}
        </Box>
      ) : null}
    </>
  );
}

const LONGEST_NAME = 40;

/** The same words as a part may be called. */
const asPartName = (words: string): string =>
  words
    .replace(/[^\p{L}\p{N} -]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .trim()
    .slice(0, LONGEST_NAME);

/** Why some members cannot be a part of their own by this name. */
function splitProblem(name: string, chosen: number, all: number, taken: ReadonlySet<string>): string | undefined {
  if (!chosen) return undefined;
  if (chosen === all) return 'All are chosen, so nothing would be left of the part.';
  return partNameProblem(name, taken);
}
