import { useLots, useVisit, useJudgement } from '../api/queries';
import { useParams } from 'react-router';
import { Failed, Loading } from '../app/states';
import { Rounds } from './Rounds';

/** A flush, draw-back, purge, prime, line flush or damper pull: the page stays open until its channels are done. */
export default function RoundsPage() {
  const { id = '', attemptId } = useParams();
  const visit = useVisit(id);
  const lots = useLots();
  const judgement = useJudgement(id);
  if (visit.isPending || lots.isPending || judgement.isLoading) {
    return <Loading what="visit and shelf" />;
  }
  if (!visit.data || !lots.data) {
    return <Failed error={(visit.error ?? lots.error) as Error} again={() => void visit.refetch()} />;
  }
  const attempt = visit.data.attempts.find((a) => a.id === attemptId);
  return (
    <Rounds
      key={attemptId ?? 'new'}
      visit={visit.data}
      lots={lots.data}
      advice={judgement.data?.advice.first}
      goesOn={attempt}
    />
  );
}
