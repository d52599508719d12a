import { Box, Flex } from '@chakra-ui/react';
import type { EditingPlace, Look, ViewportName } from '@retoque/core';
import type { Bounds } from '@retoque/contract';
import type { ReactNode } from 'react';
import { Segments } from '../../shell/Segments';
import { WidthsMenu } from './WidthsMenu';

const EVERY = '';

/** Where one is editing: at which width, on which page, in which colour scheme, with how much motion, and whose. Always in sight. */
export function EditingBar({
  siteId,
  bounds,
  viewport,
  place,
  pageName,
  pageId,
  exceptionsOfLook,
  part,
  onViewport,
  onPlace,
  exceptions,
}: {
  siteId: string;
  bounds: Bounds;
  viewport: ViewportName;
  place: EditingPlace;
  pageName: string;
  pageId: string;
  exceptionsOfLook: Look['exceptions'];
  part: string;
  onViewport: (viewport: ViewportName) => void;
  onPlace: (place: EditingPlace) => void;
  exceptions: ReactNode;
}) {
  const own = exceptionsOfLook.filter((exception) => exception.part === part);
  const choices = [
    {
      value: 'wide' as const,
      label: 'Wide',
      hint: `From ${bounds.medium + 1} pixels on; what is set here holds at every width`,
    },
    { value: 'medium' as const, label: 'Medium', hint: `Up to ${bounds.medium} pixels` },
    { value: 'narrow' as const, label: 'Narrow', hint: `Up to ${bounds.narrow} pixels` },
  ];
  return (
    <Flex
      alignItems="center"
      gap="8px"
      padding="6px 14px"
      flexWrap="wrap"
      bg={isBase(place) ? 'ground' : 'accentSoft'}
      borderTop="1px solid {colors.line}"
      role="group"
      aria-label="Where you are editing"
      data-base={isBase(place) ? '' : undefined}
    >
      <Segments label="Width of the page" value={viewport} choices={choices} onChange={onViewport} />
      <WidthsMenu siteId={siteId} bounds={bounds} />
      <Segments
        label="Pages"
        value={place.page === undefined ? 'every' : 'one'}
        choices={[
          { value: 'every', label: 'Every page' },
          { value: 'one', label: 'This page', hint: `Only on ${pageName}` },
        ]}
        onChange={(value) => onPlace({ ...place, page: value === 'one' ? pageId : undefined })}
      />
      <Segments
        label="Colour scheme"
        value={place.scheme ?? 'light'}
        choices={[
          { value: 'light', label: 'Light', hint: 'Holds in the dark scheme too, unless that is set' },
          { value: 'dark', label: 'Dark' },
        ]}
        onChange={(value) => onPlace({ ...place, scheme: value === 'dark' ? 'dark' : undefined })}
      />
      <Segments
        label="Motion"
        value={place.motion ?? 'full'}
        choices={[
          { value: 'full', label: 'Full motion' },
          { value: 'reduced', label: 'Less', hint: 'For people who ask their device for less motion' },
        ]}
        onChange={(value) => onPlace({ ...place, motion: value === 'reduced' ? 'reduced' : undefined })}
      />
      <Flex alignItems="center" gap="4px">
        {own.length ? (
          <Box
            asChild
            fontSize="12.5px"
            height="28px"
            bg="card"
            border="1px solid {colors.edge}"
            borderRadius="m"
            px="6px"
          >
            <select
              aria-label="Members"
              value={place.exception ?? EVERY}
              onChange={(event) => onPlace({ ...place, exception: event.target.value || undefined })}
            >
              <option value={EVERY}>All members</option>
              {own.map((exception) => (
                <option key={exception.id} value={exception.id}>
                  {exception.name}
                </option>
              ))}
            </select>
          </Box>
        ) : null}
        {exceptions}
      </Flex>
    </Flex>
  );
}

export const isBase = (place: EditingPlace): boolean =>
  place.page === undefined &&
  place.viewport === undefined &&
  place.scheme === undefined &&
  place.motion === undefined &&
  place.exception === undefined;

/** Where one is editing, in a sentence. */
export function placeWords(
  place: EditingPlace,
  exceptions: Look['exceptions'],
  pageName: string,
  bounds: Bounds,
): string {
  if (isBase(place)) return 'Editing every page, every width';
  const words = [place.page === undefined ? 'every page' : `“${pageName}” alone`];
  if (place.viewport) words.push(`up to ${bounds[place.viewport]} pixels`);
  if (place.scheme) words.push('in the dark scheme');
  if (place.motion) words.push('with less motion');
  const exception = exceptions.find((item) => item.id === place.exception);
  if (exception) words.push(`only ${exception.name}`);
  return `Editing ${words.join(', ')}`;
}
