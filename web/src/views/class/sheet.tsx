import { Button, Text } from '@chakra-ui/react';
import { DRILL_KINDS } from '@rough-bight/core/drill';
import { useState } from 'react';
import type { ReactElement, ReactNode } from 'react';
import { useDrillRigs } from '../drills/rigs.js';
import type { InCamp } from '../of-camp.js';
import { Problem } from '../../parts/layout.js';
import { saveBlob } from '../../parts/save-text.js';
import { drillsOf } from '../../workers/use-drill.js';

/** Kinds that take long to make are left off paper; of the others two each. */
const ON_PAPER = DRILL_KINDS.filter((k) => k !== 'first' && k !== 'wind');
const EACH = 2;

/** Makes a sheet of drills with their answers on a page of their own, to be printed. */
export function SheetButton({ camp, me, people, children }: InCamp & { readonly children: ReactNode }): ReactElement {
  const rigs = useDrillRigs(camp, me, people);
  const [done, setDone] = useState<number | null>(null);
  const [trouble, setTrouble] = useState<string | null>(null);
  const make = async (): Promise<void> => {
    setTrouble(null);
    setDone(0);
    const seed = Math.floor(Math.random() * 1e9);
    const wanted = ON_PAPER.flatMap((kind, k) =>
      Array.from({ length: EACH }, (_, n) => ({ kind, seed: seed + 97 * k + n, hard: 0.2 + 0.4 * n })),
    );
    const drills = await drillsOf(rigs, wanted, setDone);
    const { sheetPdf } = await import('./sheet-pdf.js');
    saveBlob(
      `${camp.name.toLowerCase().replaceAll(/[^a-z0-9]+/g, '-')}-drills.pdf`,
      await sheetPdf(camp.name, drills, me.units),
    );
    setDone(null);
  };
  return (
    <>
      <Button
        disabled={done !== null || rigs.length === 0}
        onClick={() => {
          make().catch((error: unknown) => {
            setDone(null);
            setTrouble(`The sheet could not be made: ${String(error)}. Nothing was changed.`);
          });
        }}
      >
        {children}
      </Button>
      {done !== null && <Text role="status">{Math.round(100 * done)} % of the drills</Text>}
      {trouble !== null && <Problem role="alert">{trouble}</Problem>}
    </>
  );
}
