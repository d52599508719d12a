import { chakra } from '@chakra-ui/react';
import { button } from './recipes';

/** The product's own button. */
export const Button = chakra('button', button);
