import { useContext } from 'react';
import { SessionContext } from './session';

/** Amounts in the currency that the shop has set; it comes with the session. */
export interface Money {
  currency: string;
  /** Two places and the currency behind: "12.50 EUR". */
  amount: (value: number) => string;
}

export function useMoney(): Money {
  const currency = useContext(SessionContext)?.person.currency ?? '';
  return { currency, amount: (value) => `${value.toFixed(2)} ${currency}` };
}
