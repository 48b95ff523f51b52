import { Box, Button } from '@chakra-ui/react';
import type { ReactElement, ReactNode } from 'react';
import { useForecast } from '../../../data/weather.js';
import type { Told } from '../../../data/weather.js';
import { Problem } from '../../../parts/layout.js';
import { SidePanel } from '../../../parts/side-panel.js';
import { Loading } from '../../../parts/states.js';

/** From now till well after morning. */
const HOURS = 24;

/** What is worked out from the forecast, once there is one; before that the panel waits, or says why there is none. */
export function WithForecast({
  title,
  closes,
  onClose,
  children,
}: {
  readonly title: string;
  /** Name of the button that closes it. */
  readonly closes: string;
  readonly onClose: () => void;
  readonly children: (forecast: Told) => ReactNode;
}): ReactElement {
  const { data, error, mutate } = useForecast(HOURS);
  if (data !== undefined) return <>{children(data)}</>;
  return (
    <SidePanel name={title} title={title} closes={closes} onClose={onClose}>
      {error === undefined ? (
        <Loading what="the forecast" />
      ) : (
        <Box display="grid" gap="10px" justifyItems="start">
          <Problem role="alert">{error.message}</Problem>
          <Button onClick={() => void mutate()}>Ask again</Button>
        </Box>
      )}
    </SidePanel>
  );
}
