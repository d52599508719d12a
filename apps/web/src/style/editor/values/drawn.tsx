import { Box } from '@chakra-ui/react';
import type { ComponentType } from 'react';
import { drawingStyles } from '../../../theme/styles/drawingStyles';
import type { EditorProps } from './editing';

/** An editor with the looks of what editors draw: boxes, pads, curves, stops. */
export const drawn = (Editor: ComponentType<EditorProps>): ComponentType<EditorProps> =>
  function Drawn(props) {
    return (
      <Box display="contents" css={drawingStyles}>
        <Editor {...props} />
      </Box>
    );
  };
