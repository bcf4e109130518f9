import { Box, Stack, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { answer, api } from '../api/http';
import { useVisit } from '../api/queries';
import { Page } from '../app/Page';
import { Empty, Failed, Loading } from '../app/states';
import { moment } from '../bench/time';
import { combWords } from '../nozzle/Comb';
import { capital, word } from '../words/words';

/** Every change on a visit: who, when, before and after. */
export default function HistoryPage() {
  const { id = '' } = useParams();
  const visit = useVisit(id);
  const history = useQuery({
    queryKey: ['history', id],
    queryFn: () => answer(api.GET('/api/visits/{visitId}/history', { params: { path: { visitId: id } } })),
  });
  if (history.isPending || visit.isPending) {
    return <Loading what="every change" />;
  }
  if (!history.data || !visit.data) {
    return <Failed error={(history.error ?? visit.error) as Error} again={() => void history.refetch()} />;
  }
  return (
    <Page title="Every change" back={{ to: `/visits/${id}`, label: visit.data.tag }}>
      {history.data.length === 0 && <Empty>Nothing was changed yet.</Empty>}
      <Stack component="ol" spacing={1} sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {history.data.map((change, i) => (
          <Box
            component="li"
            key={`${change.id}-${change.at}-${i}`}
            sx={{ bgcolor: 'background.paper', borderRadius: 1, p: 1.5 }}
          >
            <Typography sx={{ fontWeight: 700 }}>
              {moment(change.at)}, {change.by}: {word('historyWhat', change.what)}{' '}
              {change.isNew ? 'logged' : 'changed'}
            </Typography>
            <Box
              component="dl"
              sx={{
                m: 0,
                mt: 0.5,
                display: 'grid',
                gridTemplateColumns: { xs: '1fr', sm: '200px 1fr' },
                columnGap: 2,
                rowGap: 0.5,
              }}
            >
              {change.fields
                .filter((field) => !field.name.endsWith('Id'))
                .map((field) => (
                  <Box key={field.name} sx={{ display: 'contents' }}>
                    <Typography component="dt" color="text.secondary">
                      {fieldName(field.name)}
                    </Typography>
                    <Typography component="dd" sx={{ m: 0, overflowWrap: 'anywhere' }}>
                      {!change.isNew && (
                        <>
                          <s>{readable(field.name, field.before)}</s> →{' '}
                        </>
                      )}
                      {readable(field.name, field.after)}
                    </Typography>
                  </Box>
                ))}
            </Box>
          </Box>
        ))}
      </Stack>
    </Page>
  );
}

function fieldName(name: string): string {
  return capital(name.replace(/([A-Z])/g, ' $1').toLowerCase());
}

type WordTable = Parameters<typeof word>[0];

/** Which words the terms of a field are said with. */
const TABLES: Record<string, WordTable[]> = {
  cause: ['cause'],
  kind: ['treatment', 'waiting'],
  outcome: ['outcome'],
  jobClass: ['jobClass'],
  resistance: ['resistance'],
  effluent: ['effluent'],
  stream: ['stream'],
  place: ['place'],
  strength: ['strength'],
  chemistry: ['chemistry'],
  symptoms: ['symptom'],
  climate: ['climate'],
  wet: ['wet'],
};
const TOLD = ['mainsPower', 'leftOut', 'setupCartridges', 'printedEmpty', 'everNonFood'];

function say(name: string, value: string): string {
  const tables = TOLD.includes(name) ? (['told'] as const) : (TABLES[name] ?? []);
  const said = tables.map((table) => word(table, value)).find((found) => found !== value);
  return said ?? (value === 'true' ? 'yes' : value === 'false' ? 'no' : value);
}

function readable(name: string, value: string | null | undefined): string {
  if (value === null || value === undefined) {
    return 'empty';
  }
  if (name === 'reading') {
    return Object.entries(JSON.parse(value) as Record<string, string>)
      .map(([code, text]) => `${code} ${combWords(text)}`)
      .join('; ');
  }
  if (value.startsWith('{')) {
    return flat(name, JSON.parse(value) as object);
  }
  return /^\d{4}-\d\d-\d\dT/.test(value) ? moment(value) : say(name, value);
}

/** A stored entry in one line: only the values that say something. */
function flat(name: string, value: unknown): string {
  if (Array.isArray(value)) {
    return value.map((part) => flat(name, part)).join(', ');
  }
  if (value && typeof value === 'object') {
    return Object.entries(value)
      .filter(([key]) => !key.endsWith('Id'))
      .map(([key, part]) => `${fieldName(key).toLowerCase()}: ${flat(key, part)}`)
      .join('; ');
  }
  return say(name, String(value));
}
