import { Slider } from '@chakra-ui/react';
import type { ReactElement } from 'react';

/** The line and knob of a slider. */
export const SlideLine = (): ReactElement => (
  <Slider.Control>
    <Slider.Track>
      <Slider.Range />
    </Slider.Track>
    <Slider.Thumbs />
  </Slider.Control>
);
