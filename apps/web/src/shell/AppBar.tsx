import { Box, chakra, Flex } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import { Link, NavLink } from 'react-router';
import { Mark } from './Mark';
import { SchemeButton } from './SchemeButton';

export interface Step {
  readonly label: string;
  /** Undefined while the step cannot be taken yet. */
  readonly to: string | undefined;
  readonly why?: string;
}

const Home = chakra(Link, {
  base: {
    display: 'flex',
    alignItems: 'center',
    gap: '8px',
    color: 'white',
    fontWeight: 650,
    fontSize: '15px',
    textDecoration: 'none',
    _focusVisible: { outline: '2px solid {colors.lamp}', outlineOffset: '4px' },
  },
});

const stepBase = {
  padding: '13px 13px 11px',
  borderBottom: '3px solid transparent',
  whiteSpace: 'nowrap',
} as const;

const StepLink = chakra(NavLink, {
  base: {
    ...stepBase,
    color: 'barText',
    textDecoration: 'none',
    _hover: { color: 'white' },
    '&[aria-current=page]': { color: 'white', borderColor: 'lamp', fontWeight: 600 },
    _focusVisible: { outline: '2px solid {colors.lamp}', outlineOffset: '-3px' },
  },
});

/** The dark bar on every screen: where one is, the steps of the work, and what the screen adds at its end. */
export function AppBar({
  site,
  steps = [],
  children,
}: {
  site?: string | undefined;
  steps?: readonly Step[];
  children?: ReactNode;
}) {
  return (
    <Flex
      as="header"
      bg="bar"
      color="barText"
      minHeight="44px"
      alignItems="center"
      gap={{ base: '10px', lg: '22px' }}
      px="14px"
      flexWrap={{ base: 'wrap', md: 'nowrap' }}
      pt={{ base: '8px', md: '0' }}
      position="relative"
      zIndex={5}
    >
      <Home to="/" aria-label="Retoque, all sites">
        <Mark />
        Retoque
      </Home>
      {site ? (
        <Box
          as="span"
          overflow="hidden"
          textOverflow="ellipsis"
          whiteSpace="nowrap"
          maxWidth={{ base: '130px', md: '96px', lg: '220px' }}
        >
          {site}
        </Box>
      ) : null}
      {steps.length ? (
        <Flex as="nav" aria-label="Steps" gap="2px" ml={{ base: '0', lg: '20px' }} alignSelf="stretch">
          {steps.map((step) =>
            step.to ? (
              <StepLink key={step.label} to={step.to} end>
                {step.label}
              </StepLink>
            ) : (
              <Box as="span" key={step.label} {...stepBase} color="barFaint" title={step.why} aria-disabled="true">
                {step.label}
              </Box>
            ),
          )}
        </Flex>
      ) : null}
      <Flex ml="auto" gap="12px" alignItems="center" py="6px">
        {children}
        <SchemeButton />
      </Flex>
    </Flex>
  );
}
