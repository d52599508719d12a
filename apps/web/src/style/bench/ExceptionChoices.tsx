import { Box, Flex, Input } from '@chakra-ui/react';
import type { Exception } from '@retoque/core';
import { useQuery } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { engine } from '../../engine/engine';
import type { ComponentRef } from '../../engine/protocol';
import { refKey } from '../../engine/ref-key';
import { Button } from '../../theme/Button';

/** The members of a part, to choose which differ, and the exceptions that there are. */
export default function ExceptionChoices({
  component,
  part,
  own,
  onAdd,
  onRemove,
}: {
  component: ComponentRef;
  part: string;
  /** Exceptions of this part. */
  own: readonly Exception[];
  onAdd: (exception: Exception) => void;
  onRemove: (exception: Exception) => void;
}) {
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
          aria-label="Name of the exception"
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
          Add
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
