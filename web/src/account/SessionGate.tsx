import { Dialog, DialogContent, Typography } from '@mui/material';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useMemo, useState, type ReactNode } from 'react';
import { answer, api, onSignedOut, Problem } from '../api/http';
import type { SignedIn } from '../api/types';
import { Failed, Loading } from '../app/states';
import { SessionContext } from './session';

// Forms come with their own scripts; who is signed in already does not wait for them.
const loadForm = () => import('./SignInForm');
const SignInForm = lazy(loadForm);
const SignInPage = lazy(() => import('./SignInPage'));

/** Lets nobody in without a session. When one ends at work, the page stays as it is and signing in happens over it. */
export function SessionGate({ children }: { children: ReactNode }) {
  const queries = useQueryClient();
  const [hasEnded, setEnded] = useState(false);
  const who = useQuery<SignedIn, Problem>({
    queryKey: ['session'],
    queryFn: () => answer(api.GET('/api/session')),
    staleTime: Infinity,
    retry: (count, error) => count < 3 && error.isOffline,
  });

  useEffect(() => onSignedOut(() => setEnded(true)), []);
  // Fetched beforehand, so that a session that ends on a bad line can still be gone on with.
  useEffect(() => void loadForm().catch(() => undefined), []);

  const person = who.data;
  const session = useMemo(
    () =>
      person && {
        person,
        mayWrite: person.role !== 'OBSERVER',
        isLead: person.role === 'LEAD',
        signOut: () => {
          answer(api.DELETE('/api/session')).finally(() => window.location.assign('/'));
        },
      },
    [person],
  );

  if (who.isPending) {
    return <Loading what="your session" />;
  }
  if (session) {
    return (
      <SessionContext value={session}>
        {children}
        <Dialog open={hasEnded} aria-labelledby="session-ended">
          <DialogContent>
            <Typography variant="h2" id="session-ended" sx={{ mb: 1 }}>
              Your session has ended
            </Typography>
            <Typography sx={{ mb: 2 }}>Sign in to go on. Everything you entered is still here.</Typography>
            <Suspense fallback={<Loading what="the form" />}>
              <SignInForm
                name={session.person.name}
                done={(again) => {
                  queries.setQueryData(['session'], again);
                  setEnded(false);
                  void queries.invalidateQueries();
                }}
              />
            </Suspense>
          </DialogContent>
        </Dialog>
      </SessionContext>
    );
  }
  if (!who.error?.isSignedOut) {
    const error = who.error ?? new Error('Your session could not be read.');
    return <Failed error={error} again={() => void who.refetch()} />;
  }
  return (
    <Suspense fallback={<Loading what="the form" />}>
      <SignInPage
        demoAccounts={(who.error.extra.demoAccounts as string[] | undefined) ?? []}
        tablet={who.error.extra.tablet as string | undefined}
        isEmpty={who.error.extra.empty === true}
        done={(signedIn) => queries.setQueryData(['session'], signedIn)}
      />
    </Suspense>
  );
}
