import { createContext, useContext } from 'react';
import type { SignedIn } from '../api/types';

export interface Session {
  person: SignedIn;
  mayWrite: boolean;
  isLead: boolean;
  signOut: () => void;
}

export const SessionContext = createContext<Session | undefined>(undefined);

/** Who is at the screen. Only below the session gate. */
export function useSession(): Session {
  const session = useContext(SessionContext);
  if (!session) {
    throw new Error('useSession stands outside of the session gate');
  }
  return session;
}
