import { createContext, useContext } from 'react';

/** The display unit of the job on screen. */
export const UnitContext = createContext<'mm' | 'in'>('mm');

export const useUnit = () => useContext(UnitContext);
