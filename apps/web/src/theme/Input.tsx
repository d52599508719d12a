import { chakra } from '@chakra-ui/react';
import { input } from './recipes';

/** A text field by itself. In a `Field.Root`, which gives it its label and its problem, Chakra's own is used. */
export const Input = chakra('input', input);
