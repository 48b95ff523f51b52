import type { UnitChoice } from '@rough-bight/core/quantity';
import type { Figure } from '@rough-bight/core/working';
import { createContext, useContext } from 'react';

export const UnitsContext = createContext<UnitChoice>({ length: 'm', force: 'N' });
export const useUnits = (): UnitChoice => useContext(UnitsContext);

/** Opens the working of a figure, wherever it is shown. */
export const WorkingContext = createContext<(figure: Figure) => void>(() => undefined);
export const useOpenWorking = (): ((figure: Figure) => void) => useContext(WorkingContext);
