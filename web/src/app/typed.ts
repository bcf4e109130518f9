import * as z from 'zod';
import { readNumber } from './fields';

/** What was typed is a number or nothing; whether it must be there, and its range, the server says. */
export function typedNumber(example = 'Enter a number, such as 3 or 2.5.') {
  return z.string().refine((typed) => !Number.isNaN(readNumber(typed)), example);
}

export function typedWhole(message = 'Enter a whole number.') {
  return z.string().refine((typed) => {
    const value = readNumber(typed);
    return value === undefined || Number.isInteger(value);
  }, message);
}
