import { useParams } from 'react-router';
import { useSession } from '../account/session';
import { useScan, useVisit } from '../api/queries';
import { Page } from '../app/Page';
import { Empty, Failed, Loading } from '../app/states';
import { ReviewScan } from './ReviewScan';
import { SendScan } from './SendScan';

/** A scanned check on its way into a nozzle map: sent, read, settled, accepted. */
export default function ReadPage() {
  const { id = '', scanId } = useParams();
  const { mayWrite } = useSession();
  const visit = useVisit(id);
  const scan = useScan(id, scanId);
  if (visit.isPending || (scanId && scan.isPending)) {
    return <Loading what={scanId ? 'the scan' : 'the visit'} />;
  }
  if (visit.isError) {
    return <Failed error={visit.error} again={() => void visit.refetch()} />;
  }
  if (scanId && scan.isError) {
    return <Failed error={scan.error} again={() => void scan.refetch()} />;
  }
  return (
    <Page title="Read a check" back={{ to: `/visits/${id}`, label: visit.data.tag }}>
      {scanId && scan.data ? (
        <ReviewScan key={scanId} visit={visit.data} scan={scan.data} />
      ) : mayWrite && visit.data.closedAt === undefined ? (
        <SendScan visit={visit.data} />
      ) : (
        <Empty>
          {mayWrite
            ? 'This head was returned. Take it in again to read another check of it.'
            : 'Only technicians and leads read checks. Those that were read stand on the visit.'}
        </Empty>
      )}
    </Page>
  );
}
