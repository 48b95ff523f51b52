import { ChakraProvider } from '@chakra-ui/react';
import { afterEach, describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { useState } from 'react';
import type { ReactElement } from 'react';
import { misfit } from '@rough-bight/core/document';
import type { GuyAnchor, KitPegs } from '@rough-bight/core/support';
import { SUPPORTS, SUPPORT_KINDS, freshSupport, guyAnchorDocument } from '@rough-bight/core/support';
import { system } from '../src/app/theme/index.js';
import { AnchorFields } from '../src/views/bench/anchor-fields.js';
import type { LineChoice, TreeChoice } from '../src/views/bench/anchor-fields.js';

const camp = JSON.parse(readFileSync(join(process.cwd(), 'examples/sallow-ait.json'), 'utf8'));
const pegs = camp.pegs as readonly KitPegs[];
const trees: readonly TreeChoice[] = [
  { id: 'trunk0', name: 'the alder', at: [0, 0] },
  { id: 'trunk1', name: 'the willow', at: [6, 0] },
];
const lines: readonly LineChoice[] = [
  { id: 'guy 10', name: 'far guy', at: [0, 2] },
  { id: 'guy 01', name: 'near guy', at: [5, 2] },
];
let held: GuyAnchor;
afterEach(cleanup);

function Held({ among }: { readonly among: readonly TreeChoice[] }): ReactElement {
  const [anchor, setAnchor] = useState(held);
  return (
    <ChakraProvider value={system}>
      <AnchorFields
        anchor={anchor}
        pegs={pegs}
        trees={among}
        lines={lines}
        body={camp.person.body}
        near={[5, 1]}
        onChange={(next) => {
          setAnchor(next);
          held = next;
          return null;
        }}
      />
    </ChakraProvider>
  );
}
const show = (anchor: GuyAnchor, among = trees): void => {
  held = anchor;
  render(<Held among={among} />);
};
const choose = (label: string, value: string): void => {
  fireEvent.change(screen.getByRole('combobox', { name: label }), { target: { value } });
};
const type = (name: string, value: string): void => {
  const field = screen.getByRole('textbox', { name });
  fireEvent.change(field, { target: { value } });
  fireEvent.keyDown(field, { key: 'Enter' });
};

describe('what holds a guy', () => {
  test.each(SUPPORT_KINDS)('taken to be of the kind %s it is as one finds it, with that kind’s own fields', (kind) => {
    show(freshSupport(kind === 'peg' ? 'root' : 'peg', pegs));
    choose('To', kind);
    expect(held).toEqual(freshSupport(kind, pegs, { tree: 'trunk1', line: 'guy 01' }));
    expect(misfit(guyAnchorDocument, held)).toBeNull();
    for (const { label, ask } of Object.values(SUPPORTS[kind].fields))
      if (ask.as !== 'signs') expect(screen.getByLabelText(label)).toBeTruthy();
  });
  test('a number beyond its limit stays as typed, and says what it may be', () => {
    show(freshSupport('weight', pegs));
    type('Mass', '0');
    expect(screen.getByRole('textbox', { name: 'Mass' })).toMatchObject({ value: '0' });
    expect(held).toMatchObject({ mass: 60 });
    type('Mass', '85');
    expect(held).toMatchObject({ kind: 'weight', mass: 85 });
  });
  test('a stem’s girth is told by hand spans too', () => {
    show(freshSupport('stem', pegs));
    fireEvent.click(screen.getByRole('button', { name: 'by hand spans' }));
    type('Girth in hand spans', '2');
    expect(held).toMatchObject({ kind: 'stem', girth: Math.round(200 * camp.person.body.handSpan) / 100 });
  });
  test('another tree of the rig is chosen by its name', () => {
    show(freshSupport('tree', pegs, { tree: 'trunk0' }));
    choose('Tree', 'trunk1');
    expect(held).toMatchObject({ kind: 'tree', tree: 'trunk1' });
  });
  test('what holds another line is chosen by that line', () => {
    show(freshSupport('peg', pegs));
    choose('To', 'same');
    choose('Line', 'guy 10');
    expect(held).toEqual({ kind: 'same', line: 'guy 10' });
  });
  test('no tree is offered where one guy stands for many', () => {
    show(freshSupport('peg', pegs), []);
    expect(screen.queryByRole('option', { name: SUPPORTS.tree.name })).toBeNull();
  });
});
