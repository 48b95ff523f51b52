import { TABS } from '@rough-bight/core/catalogue';
import type { Tab } from '@rough-bight/core/catalogue';
import type { ReactElement } from 'react';
import { Choice } from '../../parts/choice.js';

const OPTIONS = (Object.keys(TABS) as Tab[]).map((id) => ({ id, name: TABS[id].name }));

/** How a cord takes hold of a fabric tie-out. */
export const TabChoice = ({
  tab = 'tied',
  onChange,
}: {
  readonly tab?: Tab | undefined;
  readonly onChange: (tab: Tab) => string | null;
}): ReactElement => <Choice<Tab> label="At the cloth" value={tab} options={OPTIONS} onChange={onChange} />;
