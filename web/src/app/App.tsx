import { CssBaseline } from '@mui/material';
import { ThemeProvider } from '@mui/material/styles';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { createBrowserRouter, Route, RouterProvider, Routes, ScrollRestoration } from 'react-router';
import { Problem } from '../api/http';
import { SessionGate } from '../account/SessionGate';
import { BenchPage } from '../bench/BenchPage';
import { Broken } from './Broken';
import { Shell } from './Shell';
import { Loading, NotFound } from './states';
import { theme } from './theme';
import { useOneTap } from './useOneTap';

const TakeInPage = lazy(() => import('../visit/TakeInPage'));
const VisitPage = lazy(() => import('../visit/VisitPage'));
const TagPage = lazy(() => import('../visit/TagPage'));
const FactsPage = lazy(() => import('../visit/FactsPage'));
const CheckPage = lazy(() => import('../nozzle/CheckPage'));
const ComparePage = lazy(() => import('../nozzle/ComparePage'));
const ReadPage = lazy(() => import('../scan/ReadPage'));
const LayoutsPage = lazy(() => import('../layout/LayoutsPage'));
const DiagnosisPage = lazy(() => import('../diagnosis/DiagnosisPage'));
const CausesPage = lazy(() => import('../diagnosis/CausesPage'));
const RuleoutsPage = lazy(() => import('../observation/RuleoutsPage'));
const WorthPage = lazy(() => import('../outcome/WorthPage'));
const HousePage = lazy(() => import('../practice/HousePage'));
const RoundsPage = lazy(() => import('../treatment/RoundsPage'));
const RinsePage = lazy(() => import('../treatment/RinsePage'));
const AttemptPage = lazy(() => import('../treatment/AttemptPage'));
const ReturnPage = lazy(() => import('../finish/ReturnPage'));
const PartsPage = lazy(() => import('../finish/PartsPage'));
const AlignPage = lazy(() => import('../finish/AlignPage'));
const HistoryPage = lazy(() => import('../history/HistoryPage'));
const RunPage = lazy(() => import('../run/RunPage'));
const PlanPage = lazy(() => import('../plan/PlanPage'));
const SumsPage = lazy(() => import('../flow/SumsPage'));
const ProcedurePage = lazy(() => import('../procedure/ProcedurePage'));
const FamiliesPage = lazy(() => import('../family/FamiliesPage'));
const AccountsPage = lazy(() => import('../account/AccountsPage'));
const MePage = lazy(() => import('../account/MePage'));
const SetUpPage = lazy(() => import('../practice/SetUpPage'));
const WallPage = lazy(() => import('../wall/WallPage'));
const DayPage = lazy(() => import('../day/DayPage'));
const TrialPage = lazy(() => import('../day/TrialPage'));
const ShelfPage = lazy(() => import('../fluid/ShelfPage'));

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 3_000,
      // An answer that says no will say no again; only a lost connection is worth another try.
      retry: (count, error) =>
        count < 3 && (!(error instanceof Problem) || error.isOffline || error.status >= 500),
    },
  },
});

/** Every view; each opens at its top, and the way back leads to where one was. */
function Views() {
  return (
    <>
      <ScrollRestoration />
      <SessionGate>
        <Shell>
          <Suspense fallback={<Loading what="the page" />}>
            <Routes>
              <Route path="/" element={<BenchPage />} />
              <Route path="/take-in/:id?" element={<TakeInPage />} />
              <Route path="/shelf" element={<ShelfPage />} />
              <Route path="/day" element={<DayPage />} />
              <Route path="/day/trial" element={<TrialPage />} />
              <Route path="/visits/:id" element={<VisitPage />} />
              <Route path="/visits/:id/tag" element={<TagPage />} />
              <Route path="/visits/:id/facts" element={<FactsPage />} />
              <Route path="/visits/:id/check/:checkId?" element={<CheckPage />} />
              <Route path="/visits/:id/read/:scanId?" element={<ReadPage />} />
              <Route path="/layouts" element={<LayoutsPage />} />
              <Route path="/visits/:id/compare" element={<ComparePage />} />
              <Route path="/visits/:id/diagnosis/:diagnosisId?" element={<DiagnosisPage />} />
              <Route path="/visits/:id/causes" element={<CausesPage />} />
              <Route path="/visits/:id/ruleouts" element={<RuleoutsPage />} />
              <Route path="/visits/:id/plan" element={<PlanPage />} />
              <Route path="/visits/:id/run" element={<RunPage />} />
              <Route path="/sums/:sum?" element={<SumsPage />} />
              <Route path="/visits/:id/steps" element={<ProcedurePage />} />
              <Route path="/families/:code?" element={<FamiliesPage />} />
              <Route path="/visits/:id/worth" element={<WorthPage />} />
              <Route path="/set-up" element={<SetUpPage />} />
              <Route path="/house-rules" element={<HousePage />} />
              <Route path="/accounts" element={<AccountsPage />} />
              <Route path="/me" element={<MePage />} />
              <Route path="/visits/:id/attempt/flush" element={<RoundsPage />} />
              <Route path="/visits/:id/rounds/:attemptId" element={<RoundsPage />} />
              <Route path="/visits/:id/rinse/:attemptId?" element={<RinsePage />} />
              <Route path="/visits/:id/attempt/:kind" element={<AttemptPage />} />
              <Route path="/visits/:id/parts" element={<PartsPage />} />
              <Route path="/visits/:id/align" element={<AlignPage />} />
              <Route path="/visits/:id/return" element={<ReturnPage />} />
              <Route path="/visits/:id/history" element={<HistoryPage />} />
              <Route path="*" element={<NotFound />} />
            </Routes>
          </Suspense>
        </Shell>
      </SessionGate>
    </>
  );
}

/** The board on a wall stands outside the session: its link is its key. */
function Wall() {
  return (
    <Suspense fallback={<Loading what="the bench" />}>
      <WallPage />
    </Suspense>
  );
}

const router = createBrowserRouter([
  { path: '/wall/:token', element: <Wall /> },
  { path: '*', element: <Views /> },
]);

export function App() {
  useOneTap();
  return (
    <ThemeProvider theme={theme} defaultMode="system">
      <CssBaseline enableColorScheme />
      <Broken>
        <QueryClientProvider client={queries}>
          <RouterProvider router={router} />
        </QueryClientProvider>
      </Broken>
    </ThemeProvider>
  );
}
