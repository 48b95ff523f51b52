import { Page, PageSection } from '../../parts/layout.js';
import { useEffect } from 'react';
import type { ReactElement } from 'react';
import { useShell } from '../../app/shell-context.js';

const CAUTIONS = [
  [
    'Trees and branches',
    'People get hurt by falling branches, failed anchors and falls. Look up first. A sound-looking tree can be rotten: numbers about trees screen out, they never pass one. In doubt take another tree, or ask a qualified arborist. Land and tree-protection rules apply.',
  ],
  [
    'What it is not for',
    'Not for climbing, highlines, rescue, lifting, or over water. Hammocks no higher than a safe fall, never stacked.',
  ],
  [
    'Beds',
    'No higher than you are willing to fall, over soft, even ground: never over water, a road, a drop, stones or another bed. One person, unless the maker says more; two in one bed fall on each other. Makers’ limits of bed and straps come first; an unknown limit is no limit to trust. Getting in at a drop more than doubles the pull. A pole with a back-stay is sat in gently, looked at, and sat in again.',
  ],
  [
    'Cord',
    'Rated strengths are the maker’s, on new dry cord. Unknown cord is unknown: test it, or derate it and keep it off people. Shock loads exceed any table. Elastic cord holds nothing.',
  ],
  [
    'Weather',
    'In storms and lightning leave the trees, whatever the numbers say. Wet nylon lengthens: look at the line again after rain and at bedtime.',
  ],
  ['Fire', 'Sparks go through fabric. Stoves under a low roof make carbon monoxide. Local fire rules first.'],
  ['Rules and people', 'Local codes, land managers and licensed practice come before this tool.'],
] as const;

/** Every caution in full. */
export default function CautionsView(): ReactElement {
  useShell({ crumbs: [{ name: 'Cautions' }] });
  useEffect(() => {
    document.title = 'Cautions, Rough Bight';
  }, []);
  return (
    <Page tabIndex={0}>
      <h1>Cautions</h1>
      {CAUTIONS.map(([name, text]) => (
        <PageSection key={name}>
          <h2>{name}</h2>
          <p>{text}</p>
        </PageSection>
      ))}
    </Page>
  );
}
